/** Statistics that a randomization test may be built on, from the values and each one's group. */
import { quantile, sortedUp } from '../numeric/quantile';

/** A statistic of labelled values, for `shuffleTest`. */
export type ShuffleStatistic = (values: Float64Array, label: Int32Array) => number;

/** How a group is summed up before the two are compared. */
export const centres = {
  mean: (x: readonly number[]): number => x.reduce((s, v) => s + v, 0) / x.length,
  median: (x: readonly number[]): number => quantile(sortedUp(x), 0.5),
  /** A fifth left out at each end (Tukey & McLaughlin, 1963). */
  trimmed: (x: readonly number[]): number => {
    const cut = Math.floor(x.length / 5);
    return centres.mean([...sortedUp(x).slice(cut, x.length - cut)]);
  },
} as const;
export type Centre = keyof typeof centres;

const membersOf = (values: Float64Array, label: Int32Array, group: number): number[] => {
  const out: number[] = [];
  for (let i = 0; i < values.length; i++) if (label[i] === group) out.push(values[i] ?? 0);
  return out;
};

/** First group's centre less the second's. Of outcomes written 0 and 1 the mean is the proportion. */
export const differenceOf =
  (centre: Centre): ShuffleStatistic =>
  (values, label) =>
    centres[centre](membersOf(values, label, 0)) - centres[centre](membersOf(values, label, 1));

/** Welch's t of the first group against the second; 0 where neither has spread. */
export const welchStatistic: ShuffleStatistic = (values, label) => {
  const parts = [0, 1].map((g) => {
    const x = membersOf(values, label, g);
    const mean = centres.mean(x);
    return { mean, share: x.reduce((s, v) => s + (v - mean) ** 2, 0) / (x.length - 1) / x.length };
  });
  const [a, b] = parts as [(typeof parts)[0], (typeof parts)[0]];
  const se = Math.sqrt(a.share + b.share);
  return se > 0 ? (a.mean - b.mean) / se : 0;
};

/** Σ nᵢ(ȳᵢ − ȳ)², which orders arrangements as F does, for it only grows with it. */
export const betweenGroups: ShuffleStatistic = (values, label) => {
  const sums: number[] = [];
  const sizes: number[] = [];
  let all = 0;
  for (let i = 0; i < values.length; i++) {
    const g = label[i] ?? 0;
    sums[g] = (sums[g] ?? 0) + (values[i] ?? 0);
    sizes[g] = (sizes[g] ?? 0) + 1;
    all += values[i] ?? 0;
  }
  const mean = all / values.length;
  return sums.reduce((s, x, g) => s + (sizes[g] ?? 1) * (x / (sizes[g] ?? 1) - mean) ** 2, 0);
};

/** Pearson's χ² of groups by outcomes, the outcomes coded 0, 1, 2 … */
export function chiSquareOf(outcomes: number): ShuffleStatistic {
  return (values, label) => {
    const groups = label.reduce((m, g) => Math.max(m, g), 0) + 1;
    const counts = new Float64Array(groups * outcomes);
    const rows = new Float64Array(groups);
    const columns = new Float64Array(outcomes);
    for (let i = 0; i < values.length; i++) {
      const [g, k] = [label[i] ?? 0, values[i] ?? 0];
      counts[g * outcomes + k] = (counts[g * outcomes + k] ?? 0) + 1;
      rows[g] = (rows[g] ?? 0) + 1;
      columns[k] = (columns[k] ?? 0) + 1;
    }
    let chi2 = 0;
    for (let g = 0; g < groups; g++)
      for (let k = 0; k < outcomes; k++) {
        const expected = ((rows[g] ?? 0) * (columns[k] ?? 0)) / values.length;
        if (expected > 0) chi2 += ((counts[g * outcomes + k] ?? 0) - expected) ** 2 / expected;
      }
    return chi2;
  };
}
