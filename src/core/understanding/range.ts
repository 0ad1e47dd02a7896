/** A range written in one cell, "18–22" or "18 to 22". */
const range = /^\s*(\d+(?:[.,]\d+)?)\s*(?:-|–|—|to)\s*(\d+(?:[.,]\d+)?)\s*$/iu;

export interface Range {
  low: number;
  high: number;
  decimals: number;
}

/** The ends of a range, and with how many decimals they are written; undefined of any other text. */
export function rangeIn(text: string): Range | undefined {
  const [, from = '', to = ''] = range.exec(text) ?? [];
  const [low, high] = [from, to].map((end) => Number(end.replace(',', '.'))) as [number, number];
  const decimals = Math.max(...[from, to].map((end) => end.split(/[.,]/)[1]?.length ?? 0));
  return from !== '' && low < high ? { low, high, decimals } : undefined;
}
