/** A column that was worked out from those beside it: their sum, their mean, or the difference or the ratio of two. */
import { deviation, least, sum } from 'd3-array';
import { slack, valueOf } from './sums';
import { meanName, totalName } from './vocabulary';

interface Column {
  name: string;
  cells: readonly string[];
}

export type How = 'sum' | 'mean' | 'difference' | 'ratio';

/** Rows that are looked at: what holds in so many is no chance. */
const looked = 200;
/** A column follows where chance would hardly make it so, and less than hardly where it is not called so. */
const hardly = { called: 0.05, other: 1e-4 };

const calledSo: Record<How, RegExp> = {
  sum: totalName,
  mean: meanName,
  ratio: /%|ratio|fold|percent|relative|per |\/|loss|gain|change/iu,
  difference: /(?:diff|change|Δ|∆|delta|gain|loss|growth|increase|decrease)/iu,
};

interface Figures {
  value: number | undefined;
  slack: number;
}
const figuresOf = ({ cells }: Column): Figures[] =>
  cells.slice(0, looked).map((cell) => ({ value: valueOf(cell), slack: slack(cell) }));

/**
 * How likely chance alone would make a column what the others come to in every row, as far as all are written; 1 where it
 * is not. Whole numbers are taken as they stand, others as rounded.
 */
function byChance(
  own: readonly Figures[],
  others: readonly (readonly Figures[])[],
  make: (x: number[]) => number,
): number {
  const rows: { value: number; within: number }[] = [];
  for (const [row, { value, slack: last }] of own.entries()) {
    const parts = others.map((o) => o[row]);
    const numbers = parts.flatMap((p) => p?.value ?? []);
    if (value === undefined || numbers.length < parts.length) continue;
    const made = make(numbers);
    // How far the rounding of each part may have moved it.
    const moved = parts.map((p, i) =>
      p && p.slack < 0.5 ? Math.abs(make(numbers.map((x, k) => (k === i ? x + p.slack : x))) - made) : 0,
    );
    const within = last + sum(moved);
    if (!(Math.abs(value - made) <= within)) return 1;
    rows.push({ value, within });
  }
  const sd = deviation(rows.map((r) => r.value)) ?? 0;
  // How often a reading lies so near a given value within a normal curve. Equal readings tell nothing.
  return rows.reduce((chance, { within }) => chance * Math.min(1, (2 * within) / (sd * Math.sqrt(2 * Math.PI))), 1);
}

/** How many times as much, in parts or in percent, and the change in percent. */
const quotients: readonly ((x: number[]) => number)[] = [
  ([x = 0, y = 0]) => x / y,
  ([x = 0, y = 0]) => (100 * x) / y,
  ([x = 0, y = 0]) => (100 * (x - y)) / y,
  ([x = 0, y = 0]) => (100 * (y - x)) / y,
];

/** How a column follows from the others, if it does, and how likely that is by chance. */
function howOf(
  own: readonly Figures[],
  others: readonly (readonly Figures[])[],
): { how: How; chance: number } | undefined {
  if (others.length < 2) return undefined;
  const pairs = others.flatMap((a) => others.flatMap((b) => (a === b ? [] : [[a, b]])));
  const ways: { how: How; chance: number }[] = [
    { how: 'sum', chance: byChance(own, others, sum) },
    { how: 'mean', chance: byChance(own, others, (x) => sum(x) / x.length) },
    ...pairs.map((pair) => ({
      how: 'difference' as const,
      chance: pairs.length * byChance(own, pair, ([x = 0, y = 0]) => x - y),
    })),
    ...pairs.flatMap((pair) =>
      quotients.map((quotient) => ({
        how: 'ratio' as const,
        chance: pairs.length * quotients.length * byChance(own, pair, quotient),
      })),
    ),
  ];
  return least(ways, (w) => w.chance);
}

/**
 * The column of several that was worked out from the others. Where two parts and their difference could each be it, the
 * one that is called so, else the last.
 */
export function workedOut<T extends Column>(columns: readonly T[]): { column: T; how: How } | undefined {
  if (columns.length < 3 || columns.length > 12) return undefined;
  const figures = columns.map(figuresOf);
  const found = columns.flatMap((column, k) => {
    const way = howOf(
      figures[k] ?? [],
      figures.filter((_, i) => i !== k),
    );
    const called = way !== undefined && calledSo[way.how].test(column.name);
    return way && way.chance < (called ? hardly.called : hardly.other) ? [{ column, how: way.how, called }] : [];
  });
  return found.find((f) => f.called) ?? found.at(-1);
}
