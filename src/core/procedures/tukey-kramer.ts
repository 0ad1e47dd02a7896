import { studentizedRangeUpper, studentizedRangeUpperQuantile } from '../distributions/studentized-range';
import { type Interval, checkedLevel } from './interval';
import { type Pair, allPairs, pooledPairs, separatePair, withinGroups } from './pairwise';
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

/** A pair judged by the studentized range of so many groups. */
export function judgedByRange(pair: Pair, groups: number, criticalQ: number): RangePair {
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
  const pairs = pooledPairs(groups, allPairs(groups.length)).map((pair) =>
    judgedByRange(pair, groups.length, criticalQ),
  );
  return { criticalQ, pairs };
}

/**
 * The Games–Howell comparison of all pairs, for spreads that may differ: each pair has its own standard error and df.
 * Assumes independent readings, means near enough normal. Source: Games & Howell (1976).
 */
export const gamesHowell = (groups: readonly SampleSummary[], level: number): RangePair[] =>
  allPairs(groups.length).map((pair) => gamesHowellPair(groups, pair, level));

/** One of its pairs. @throws DomainError where this pair has too little spread to be judged by */
export function gamesHowellPair(
  groups: readonly SampleSummary[],
  pair: readonly [number, number],
  level: number,
): RangePair {
  const found = separatePair(groups, pair);
  const criticalQ = studentizedRangeUpperQuantile(1 - checkedLevel(level), groups.length, found.df);
  return judgedByRange(found, groups.length, criticalQ);
}
