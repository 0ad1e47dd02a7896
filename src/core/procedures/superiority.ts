import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { findZero } from '../numeric/solve';
import { sum } from '../numeric/sum';
import { type Interval, checkedLevel } from './interval';
import { ranked } from './ranked';

/** Mann and Whitney's U: pairs in which the first group's value is the larger, ties counting half. */
export function countOfLarger(a: readonly number[], b: readonly number[]): number {
  const { ranks } = ranked([...a, ...b]);
  return sum(ranks.slice(0, a.length)) - (a.length * (a.length + 1)) / 2;
}

/**
 * Interval for the chance θ that a reading of the first group exceeds one of the second, ties counting half: the values
 * θ whose own spread does not put the share seen too far away. Holds its level well for small groups, and stays within
 * 0 and 1. Source: Newcombe (2006), method 5, with the spread of Hanley & McNeil (1982).
 * @param share U over all pairs
 */
export function superiorityInterval(share: number, n1: number, n2: number, level: number): Interval {
  demand(share >= 0 && share <= 1, 'A chance lies between 0 and 1.');
  const z = normal.upperQuantile((1 - checkedLevel(level)) / 2);
  const half = (n1 + n2) / 2 - 1;
  /** The variance over t(1 − t). */
  const shape = (t: number): number => (1 + (half * (1 - t)) / (2 - t) + (half * t) / (1 + t)) / (n1 * n2);
  const beyond = (t: number): number => (share - t) ** 2 - z * z * t * (1 - t) * shape(t);
  // At full separation the share seen is itself a root; divided out, the other end is left.
  return {
    low:
      share === 0 ? 0 : share === 1 ? findZero((t) => 1 - t - z * z * t * shape(t), 0, 1) : findZero(beyond, 0, share),
    high:
      share === 1
        ? 1
        : share === 0
          ? findZero((t) => t - z * z * (1 - t) * shape(t), 0, 1)
          : findZero(beyond, share, 1),
  };
}
