import Papa from 'papaparse';

export const delimiters = ['\t', ';', ',', '|'] as const;
export type Delimiter = (typeof delimiters)[number];

/** How a delimiter is told to a person. */
export const delimiterName: Record<Delimiter, string> = {
  '\t': 'tabs',
  ';': 'semicolons',
  ',': 'commas',
  '|': 'bars',
};

/** Lines looked at to tell the delimiter. */
const sampleLines = 60;

/**
 * Tells by what a text's columns are parted: the mark that parts most of the first lines into the same number of
 * columns. Where decimal commas stand between semicolons or tabs, those win.
 */
export function delimiterOf(text: string): Delimiter {
  const head = text.split(/\r\n|\r|\n/, sampleLines).filter((line) => line.trim() !== '');
  let best: Delimiter = ',';
  let most = 0;
  for (const delimiter of delimiters) {
    const widths = head.map((line) => Papa.parse<string[]>(line, { delimiter }).data[0]?.length ?? 1);
    const usual = [...widths].sort((x, y) => x - y)[Math.floor(widths.length / 2)] ?? 1;
    if (usual < 2) continue;
    // Commas within numbers also part lines, so another mark that parts them evenly is believed before.
    const alike = widths.filter((w) => w === usual).length / widths.length;
    const weight = alike * (delimiter === ',' ? 0.8 : 1) + (delimiter === '\t' ? 0.1 : 0);
    if (weight > most) {
      most = weight;
      best = delimiter;
    }
  }
  return best;
}

export interface Delimited {
  rows: string[][];
  /** Line, from 1, of a quote that is opened and never closed. */
  unclosed?: number;
}

/** How much text is parsed between two reports of progress. */
const chunkSize = 1 << 20;

/**
 * Parts a text into rows of cells. A quote that is never closed would swallow the rest of the file: quotes are then
 * read as plain characters, and the line is told.
 * @param onProgress told the share done, 0 to 1
 */
export function parseDelimited(text: string, delimiter: Delimiter, onProgress?: (share: number) => void): Delimited {
  const parse = (quoted: boolean): { rows: string[][]; bad: boolean } => {
    const rows: string[][] = [];
    let bad = false;
    const take = ({ data, errors, meta }: Papa.ParseResult<string[]>): void => {
      for (const row of data) rows.push(row);
      bad ||= errors.some((e) => e.code === 'MissingQuotes');
      onProgress?.(Math.min(1, meta.cursor / Math.max(1, text.length)));
    };
    const how = { delimiter, ...(quoted ? {} : { quoteChar: '\u0000' }) };
    // In chunks for the sake of progress; but text with quotes in one go, or an open quote is read again with each chunk.
    if (quoted && text.includes('"')) take(Papa.parse<string[]>(text, how));
    else Papa.parse<string[]>(text, { ...how, chunkSize, chunk: take } as Papa.ParseConfig<string[]>);
    return { rows: dropLast(rows), bad };
  };
  const first = parse(true);
  if (!first.bad) return { rows: first.rows };
  const plain = parse(false).rows;
  const quote = plain.findIndex((row) => row.some((cell) => (cell.split('"').length - 1) % 2 === 1));
  return { rows: plain, unclosed: Math.max(0, quote) + 1 };
}

/** The empty row after a last line break is none. */
function dropLast(rows: string[][]): string[][] {
  const last = rows.at(-1);
  return last?.every((cell) => cell === '') ? rows.slice(0, -1) : rows;
}
