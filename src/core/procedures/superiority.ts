import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { findZero } from '../numeric/solve';
import { type Interval, checkedLevel } from './interval';

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
  const variance = (t: number): number =>
    (t * (1 - t) * (1 + (half * (1 - t)) / (2 - t) + (half * t) / (1 + t))) / (n1 * n2);
  const beyond = (t: number): number => (share - t) ** 2 - z * z * variance(t);
  return {
    low: share === 0 ? 0 : findZero(beyond, 0, share, 1e-12),
    high: share === 1 ? 1 : findZero(beyond, share, 1, 1e-12),
  };
}
