import { studentT } from '../distributions/t';
import { demand } from '../numeric/domain-error';
import { type TailProbabilities, symmetricTails } from './direction';
import { type Interval, checkedLevel } from './interval';

/** What every t test reports, in the units of the readings where there are units. */
export interface TTest {
  /** The estimate: a mean, or a difference of means. */
  estimate: number;
  /** Its standard error. */
  se: number;
  df: number;
  t: number;
  /** The t that cuts off (1 − level)/2 in each tail. */
  criticalT: number;
  /** Two-sided interval at the level asked for. */
  interval: Interval;
  /** One-sided bounds at the same level: the estimate is at least `low`, at most `high`. */
  bounds: Interval;
  p: TailProbabilities;
}

/**
 * The step all t tests share: estimate over standard error, referred to t.
 * @param nullValue the value the hypothesis of no effect gives the estimate
 * @throws DomainError when there is no spread at all
 */
export function tTest(estimate: number, se: number, df: number, level: number, nullValue = 0): TTest {
  const alpha = 1 - checkedLevel(level);
  demand(se > 0, 'Every reading is the same, so there is no spread to judge a difference by.');
  const reference = studentT(df);
  const t = (estimate - nullValue) / se;
  const criticalT = reference.upperQuantile(alpha / 2);
  const oneSided = reference.upperQuantile(alpha) * se;
  return {
    estimate,
    se,
    df,
    t,
    criticalT,
    interval: { low: estimate - criticalT * se, high: estimate + criticalT * se },
    bounds: { low: estimate - oneSided, high: estimate + oneSided },
    p: symmetricTails(reference, t),
  };
}
