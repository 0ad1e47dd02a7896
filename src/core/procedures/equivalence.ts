import { studentT } from '../distributions/t';
import { demand } from '../numeric/domain-error';
import { type Interval, checkedLevel } from './interval';
import type { TTest } from './t-test';

export interface Equivalence {
  /** p against "below the lower bound" and against "above the upper bound". */
  pAboveLower: number;
  pBelowUpper: number;
  /** The larger of the two. */
  p: number;
  /** Interval at 2·level − 1, which lies within the bounds exactly when p < 1 − level. */
  interval: Interval;
}

/**
 * Two one-sided tests: whether a difference lies within bounds that do not matter. A difference that is not significant
 * is no proof of sameness; this is. Source: Schuirmann (1987).
 * @param bounds in the readings' units
 * @param level 0.95 gives the usual 90 % interval
 */
export function equivalence(test: TTest, bounds: Interval, level: number): Equivalence {
  demand(bounds.low < bounds.high, 'The lower bound of equivalence must lie below the upper one.');
  const reference = studentT(test.df);
  const pAboveLower = reference.upper((test.estimate - bounds.low) / test.se);
  const pBelowUpper = reference.upper((bounds.high - test.estimate) / test.se);
  const reach = reference.upperQuantile(1 - checkedLevel(level)) * test.se;
  return {
    pAboveLower,
    pBelowUpper,
    p: Math.max(pAboveLower, pBelowUpper),
    interval: { low: test.estimate - reach, high: test.estimate + reach },
  };
}
