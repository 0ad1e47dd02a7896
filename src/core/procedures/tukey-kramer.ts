import { studentizedRangeUpper, studentizedRangeUpperQuantile } from '../distributions/studentized-range';
import { type Interval, checkedLevel } from './interval';
import { type Pair, allPairs, pooledPairs, separatePairs, withinGroups } from './pairwise';
import type { SampleSummary } from './sample-summary';

/** A pair judged by the studentized range. */
export interface RangePair extends Pair {
  /** |t|·√2, the studentized range statistic. */
  q: number;
  /** p adjusted for all pairs. */
  p: number;
  /** Simultaneous interval of the difference. */
  interval: Interval;
  criticalQ: number;
  /** The smallest difference that would have counted. */
  smallestSignificant: number;
}

function judged(pair: Pair, groups: number, criticalQ: number): RangePair {
  const q = Math.abs(pair.t) * Math.SQRT2;
  const reach = (criticalQ / Math.SQRT2) * pair.se;
  return {
    ...pair,
    q,
    p: Math.max(studentizedRangeUpper(q, groups, pair.df), Number.MIN_VALUE),
    interval: { low: pair.difference - reach, high: pair.difference + reach },
    criticalQ,
    smallestSignificant: reach,
  };
}

/**
 * Tukey's honest comparison of all pairs, in Kramer's form for unequal sizes: intervals hold together at the level.
 * Assumes what one-way ANOVA does. Source: Tukey (1953), Kramer (1956).
 */
export function tukeyKramer(
  groups: readonly SampleSummary[],
  level: number,
): { criticalQ: number; pairs: RangePair[] } {
  const { df } = withinGroups(groups);
  const criticalQ = studentizedRangeUpperQuantile(1 - checkedLevel(level), groups.length, df);
  const pairs = pooledPairs(groups, allPairs(groups.length)).map((pair) => judged(pair, groups.length, criticalQ));
  return { criticalQ, pairs };
}

/**
 * The Games–Howell comparison of all pairs, for spreads that may differ: each pair has its own standard error and df.
 * Assumes independent readings, means near enough normal. Source: Games & Howell (1976).
 */
export function gamesHowell(groups: readonly SampleSummary[], level: number): RangePair[] {
  const p = 1 - checkedLevel(level);
  return separatePairs(groups, allPairs(groups.length)).map((pair) =>
    judged(pair, groups.length, studentizedRangeUpperQuantile(p, groups.length, pair.df)),
  );
}
