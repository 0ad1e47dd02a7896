/** A column that was worked out from those beside it: their sum, their mean, or the difference of two. */
import { valueOf } from './sums';

interface Column {
  name: string;
  cells: readonly string[];
}

export type How = 'sum' | 'mean' | 'difference';

/** Rows that are looked at: what holds in so many is no chance. */
const looked = 200;
/** Rows it must hold in at least, and different numbers among them. */
const fewest = 3;

const calledSo: Record<How, RegExp> = {
  sum: /^(?:(?:grand |row |sub-?)?totals?|sums?|Σ|∑|all)\b/iu,
  mean: /^(?:means?|averages?|avg\.?|x̄)(?:\b|$)/iu,
  difference: /(?:diff|change|Δ|∆|delta|gain|loss|growth|increase|decrease)/iu,
};

/** Half a unit of the last digit a number is written with. */
const slack = (text: string): number => 0.5000001 * 10 ** -(/[.,](\d+)$/.exec(text.trim())?.[1]?.length ?? 0);

interface Figures {
  value: number | undefined;
  slack: number;
}
const figuresOf = ({ cells }: Column): Figures[] =>
  cells.slice(0, looked).map((cell) => ({ value: valueOf(cell), slack: slack(cell) }));

/** Whether a column is in every row what the others make of it, as far as all are written. */
function follows(
  own: readonly Figures[],
  others: readonly (readonly Figures[])[],
  make: (x: number[]) => number,
): boolean {
  const values = new Set<number>();
  let rows = 0;
  for (const [row, { value, slack: last }] of own.entries()) {
    const parts = others.map((o) => o[row]);
    const numbers = parts.flatMap((p) => p?.value ?? []);
    if (value === undefined || numbers.length < parts.length) continue;
    const rounding = parts.reduce((sum, p) => sum + (p?.slack ?? 0), last);
    if (Math.abs(value - make(numbers)) > rounding) return false;
    values.add(value);
    rows += 1;
  }
  return rows >= fewest && values.size >= fewest;
}

const sum = (x: readonly number[]): number => x.reduce((s, value) => s + value, 0);

/** How a column follows from the others, if it does. */
function howOf(own: readonly Figures[], others: readonly (readonly Figures[])[]): How | undefined {
  if (others.length < 2) return undefined;
  if (follows(own, others, sum)) return 'sum';
  if (follows(own, others, (x) => sum(x) / x.length)) return 'mean';
  const ofTwo = others.some((a) => others.some((b) => a !== b && follows(own, [a, b], ([x = 0, y = 0]) => x - y)));
  return ofTwo ? 'difference' : undefined;
}

/**
 * The column of several that was worked out from the others. Where two parts and their difference could each be it, the
 * one that is called so, else the last.
 */
export function workedOut<T extends Column>(columns: readonly T[]): { column: T; how: How } | undefined {
  if (columns.length < 3 || columns.length > 12) return undefined;
  const figures = columns.map(figuresOf);
  const found = columns.flatMap((column, k) => {
    const how = howOf(
      figures[k] ?? [],
      figures.filter((_, i) => i !== k),
    );
    return how ? [{ column, how }] : [];
  });
  return found.find(({ column, how }) => calledSo[how].test(column.name)) ?? found.at(-1);
}
