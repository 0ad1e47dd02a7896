import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import { type SampleSummary, meanDifference } from './sample-summary';

/** A pair of groups by their places in the list, the first minus the second. */
export interface Pair {
  a: number;
  b: number;
  /** Difference of means, in the readings' units. */
  difference: number;
  se: number;
  df: number;
  t: number;
}

/** Every pair once, earlier group first. */
export const allPairs = (count: number): [number, number][] =>
  Array.from({ length: count }, (_, a) =>
    Array.from({ length: count - a - 1 }, (__, k): [number, number] => [a, a + 1 + k]),
  ).flat();

/** Each group against the control, group minus control. */
export const againstControl = (count: number, control: number): [number, number][] =>
  Array.from({ length: count }, (_, a): [number, number] => [a, control]).filter(([a]) => a !== control);

/** The groups' common variance and its degrees of freedom. */
export function withinGroups(groups: readonly SampleSummary[]): { variance: number; df: number } {
  const df = sum(groups.map((g) => g.n - 1));
  demand(df > 0, 'Every group has one reading: there is no spread within groups to judge by.');
  const variance = sum(groups.map((g) => ((g.n - 1) * g.variance) / df));
  demand(variance > 0, 'Within every group all readings are the same, so there is no spread to judge differences by.');
  return { variance, df };
}

const pick = (groups: readonly SampleSummary[], [a, b]: readonly [number, number]): [SampleSummary, SampleSummary] => {
  const [first, second] = [groups[a], groups[b]];
  demand(first !== undefined && second !== undefined, 'One of the groups compared does not exist.');
  return [first, second];
};

/** Differences of pairs in units of the spread common to all groups. */
export function pooledPairs(groups: readonly SampleSummary[], pairs: readonly (readonly [number, number])[]): Pair[] {
  const { variance, df } = withinGroups(groups);
  return pairs.map(([a, b]) => {
    const [first, second] = pick(groups, [a, b]);
    const difference = meanDifference(first, second);
    const se = Math.sqrt(variance * (1 / first.n + 1 / second.n));
    return { a, b, difference, se, df, t: difference / se };
  });
}

/**
 * A pair's difference in units of the two groups' own spreads, with Satterthwaite's df.
 * @throws DomainError where one has a single reading, or neither has any spread
 */
export function separatePair(groups: readonly SampleSummary[], [a, b]: readonly [number, number]): Pair {
  const [first, second] = pick(groups, [a, b]);
  demand(first.n > 1 && second.n > 1, 'One of the two has one reading, and so no spread of its own.');
  const [va, vb] = [first.variance / first.n, second.variance / second.n];
  demand(va + vb > 0, 'Neither of the two has any spread, so their difference cannot be judged.');
  const share = va / (va + vb);
  const difference = meanDifference(first, second);
  const se = Math.sqrt(va + vb);
  const df = 1 / (share ** 2 / (first.n - 1) + (1 - share) ** 2 / (second.n - 1));
  return { a, b, difference, se, df, t: difference / se };
}
