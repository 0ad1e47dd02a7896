/** Statistics that a randomization test may be built on, from the values and each one's group. */
import { addTo } from '../numeric/add-to';
import { nth } from '../numeric/nth';
import { medianOf } from '../numeric/quantile';
import { selectAll } from '../numeric/selection';

/** A statistic of labelled values, for `shuffleTest`. */
export type ShuffleStatistic = (values: Float64Array, label: Int32Array) => number;

/** How a group is summed up before the two are compared. */
export const centres = {
  mean: (x: ArrayLike<number>): number => {
    let sum = 0;
    for (let i = 0; i < x.length; i++) sum += nth(x, i);
    return sum / x.length;
  },
  median: medianOf,
  /** A fifth left out at each end (Tukey & McLaughlin, 1963). */
  trimmed: (x: ArrayLike<number>): number => {
    const cut = Math.floor(x.length / 5);
    const copy = new Float64Array(x);
    selectAll(copy, [...new Set([cut, x.length - cut - 1])]);
    return centres.mean(copy.subarray(cut, x.length - cut));
  },
} as const;
export type Centre = keyof typeof centres;

const membersOf = (values: Float64Array, label: Int32Array, group: number): number[] => {
  const out: number[] = [];
  for (let i = 0; i < values.length; i++) if (label[i] === group) out.push(nth(values, i));
  return out;
};

/** First group's centre less the second's. Of outcomes written 0 and 1 the mean is the proportion. */
export const differenceOf =
  (centre: Centre): ShuffleStatistic =>
  (values, label) =>
    centres[centre](membersOf(values, label, 0)) - centres[centre](membersOf(values, label, 1));

/** A difference over its standard error; endless where there is a difference and no spread but that of rounding. */
const ratioTo = (difference: number, se: number): number =>
  se > 1e-10 * Math.abs(difference) ? difference / se : difference === 0 ? 0 : Math.sign(difference) * Infinity;

/** Welch's t of the first group against the second. */
export const welchStatistic: ShuffleStatistic = (values, label) => {
  const parts = [0, 1].map((g) => {
    const x = membersOf(values, label, g);
    const mean = centres.mean(x);
    return { mean, share: x.reduce((s, v) => s + (v - mean) ** 2, 0) / (x.length - 1) / x.length };
  });
  const [a, b] = parts as [(typeof parts)[0], (typeof parts)[0]];
  const se = Math.sqrt(a.share + b.share);
  return ratioTo(a.mean - b.mean, se);
};

/** F from the variation between groups and all there is; what rounding leaves within groups is none. */
const ofVariation = (between: number, total: number, groups: number, n: number): number =>
  total - between > 1e-13 * total
    ? between / (groups - 1) / ((total - between) / (n - groups))
    : between > 0
      ? Infinity
      : 0;

/** The F of a one-way analysis of variance; Infinity where only the groups have spread. */
export const fStatistic: ShuffleStatistic = (values, label) => {
  const grand = centres.mean(values);
  const sums: number[] = [];
  const sizes: number[] = [];
  let total = 0;
  for (let i = 0; i < values.length; i++) {
    const g = nth(label, i);
    const away = nth(values, i) - grand;
    addTo(sums, g, away);
    addTo(sizes, g, 1);
    total += away * away;
  }
  const between = sums.reduce((s, x, g) => s + (x * x) / (sizes[g] ?? 1), 0);
  return ofVariation(between, total, sums.length, values.length);
};

/**
 * The same statistics for readings in order of size, where one pass over the labels gives them: what a million shuffles
 * need. A centre is the mean of the ranks it takes: all, all but a fifth at each end, or the middle one or two.
 */
/* eslint-disable @typescript-eslint/no-non-null-assertion -- indices lie within the arrays */
export function ofSorted(
  statistic: Centre | 't' | 'F',
  sorted: Float64Array,
  sizes: readonly number[],
): (label: Int32Array) => number {
  const n = sorted.length;
  const grand = centres.mean(sorted);
  const away = sorted.map((x) => x - grand);
  const total = away.reduce((s, x) => s + x * x, 0);
  const [n1 = 1, n2 = 1] = sizes;
  if (statistic === 't')
    return (label) => {
      let part = 0;
      let squares = 0;
      for (let i = 0; i < n; i++)
        if (label[i] === 0) {
          const x = away[i]!;
          part += x;
          squares += x * x;
        }
      const [ss1, ss2] = [squares - (part * part) / n1, total - squares - (part * part) / n2];
      const se = Math.sqrt(Math.max(0, ss1) / (n1 - 1) / n1 + Math.max(0, ss2) / (n2 - 1) / n2);
      return ratioTo(part / n1 + part / n2, se);
    };
  if (statistic === 'F') {
    const sums = new Float64Array(sizes.length);
    const weights = Float64Array.from(sizes, (size) => 1 / size);
    return (label) => {
      sums.fill(0);
      for (let i = 0; i < n; i++) sums[label[i]!]! += away[i]!;
      let between = 0;
      for (let g = 0; g < sums.length; g++) between += sums[g]! * sums[g]! * weights[g]!;
      return ofVariation(between, total, sums.length, n);
    };
  }
  const [[from1, to1], [from2, to2]] = [taken(statistic, n1), taken(statistic, n2)];
  return (label) => {
    let [seen1, seen2, sum1, sum2] = [0, 0, 0, 0];
    for (let i = 0; i < n; i++)
      if (label[i] === 0) {
        if (seen1 >= from1 && seen1 < to1) sum1 += sorted[i]!;
        seen1 += 1;
      } else {
        if (seen2 >= from2 && seen2 < to2) sum2 += sorted[i]!;
        seen2 += 1;
      }
    return sum1 / (to1 - from1) - sum2 / (to2 - from2);
  };
}
/* eslint-enable @typescript-eslint/no-non-null-assertion */

/** The ranks a centre is the mean of, from 0. */
function taken(centre: Centre, n: number): readonly [number, number] {
  if (centre === 'mean') return [0, n];
  const cut = centre === 'median' ? Math.ceil(n / 2) - 1 : Math.floor(n / 5);
  return [cut, n - cut];
}

/** The paired t of differences. */
export const tOfPairs = (differences: ArrayLike<number>): number => {
  const n = differences.length;
  const mean = centres.mean(differences);
  let squares = 0;
  for (let i = 0; i < n; i++) squares += (nth(differences, i) - mean) ** 2;
  return ratioTo(mean, Math.sqrt(squares / (n - 1) / n));
};

/** Of a table of two rows, as a flat list of cells: the first row's share of the first outcome less the second's. */
export const shareDifference = (table: readonly (readonly number[])[]) => {
  const width = table[0]?.length ?? 1;
  const [first = 0, second = 0] = table.map((row) => row.reduce((s, n) => s + n, 0));
  return (cells: ArrayLike<number>): number => nth(cells, 0) / first - nth(cells, width) / second;
};

/** Pearson's χ² of tables with this one's margins, as flat lists of cells. */
export function chiSquareOfTable(table: readonly (readonly number[])[]): (cells: ArrayLike<number>) => number {
  const rows = table.map((row) => row.reduce((s, n) => s + n, 0));
  const n = rows.reduce((s, x) => s + x, 0);
  const columns = (table[0] ?? []).map((_, j) => table.reduce((s, row) => s + nth(row, j), 0));
  const expected = rows.flatMap((row) => columns.map((column) => (row * column) / n));
  return (cells) => {
    let total = 0;
    for (let k = 0; k < expected.length; k++) {
      const e = nth(expected, k);
      if (e > 0) total += (nth(cells, k) - e) ** 2 / e;
    }
    return total;
  };
}

/** Pearson's χ² of groups by outcomes, the outcomes coded 0, 1, 2 … */
export function chiSquareOf(outcomes: number): ShuffleStatistic {
  return (values, label) => {
    const groups = label.reduce((m, g) => Math.max(m, g), 0) + 1;
    const counts = new Float64Array(groups * outcomes);
    const rows = new Float64Array(groups);
    const columns = new Float64Array(outcomes);
    for (let i = 0; i < values.length; i++) {
      const [g, k] = [nth(label, i), nth(values, i)];
      addTo(counts, g * outcomes + k, 1);
      addTo(rows, g, 1);
      addTo(columns, k, 1);
    }
    let chi2 = 0;
    for (let g = 0; g < groups; g++)
      for (let k = 0; k < outcomes; k++) {
        const expected = (nth(rows, g) * nth(columns, k)) / values.length;
        if (expected > 0) chi2 += (nth(counts, g * outcomes + k) - expected) ** 2 / expected;
      }
    return chi2;
  };
}
