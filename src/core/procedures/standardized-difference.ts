import { normal } from '../distributions/normal';
import { noncentralTLower, noncentralTUpper } from '../distributions/noncentral-t';
import { demand } from '../numeric/domain-error';
import { findZeroNear } from '../numeric/solve';
import { logGamma } from '../numeric/special';
import { type Interval, checkedLevel } from './interval';
import { pooledVariance } from './pooled-t';
import { type SampleSummary, meanDifference } from './sample-summary';

/** Differences in units of the pooled standard deviation. */
export interface StandardizedDifference {
  /** Cohen's d, with the pooled SD as its unit. */
  cohenD: number;
  /** Hedges' g: d with its small-sample bias removed. */
  hedgesG: number;
  /** Interval for g: noncentral-t interval for the population value, scaled as g is. */
  interval: Interval;
}

/** Hedges' exact bias correction J(ν) = Γ(ν/2) / (√(ν/2) Γ((ν − 1)/2)). Source: Hedges (1981). */
export function hedgesCorrection(df: number): number {
  if (df > 1e7) return 1;
  return Math.exp(logGamma(df / 2) - logGamma((df - 1) / 2)) / Math.sqrt(df / 2);
}

/**
 * The noncentralities for which an observed t would lie at each end of its distribution: a confidence interval for
 * the noncentrality. Source: Steiger & Fouladi (1997).
 */
export function noncentralityInterval(t: number, df: number, level: number): Interval {
  const z = normal.upperQuantile((1 - checkedLevel(level)) / 2);
  // T is nearly normal about the noncentrality, so that a normal quantile of the tail is nearly a line in it.
  const spread = Math.sqrt(1 + (t * t) / (2 * df));
  const asZ = (tail: typeof noncentralTUpper) => (shift: number) => z - normal.upperQuantile(tail(t, df, shift));
  return {
    low: findZeroNear(asZ(noncentralTUpper), t - z * spread, spread / 8, 1e-12),
    high: findZeroNear(asZ(noncentralTLower), t + z * spread, spread / 8, 1e-12),
  };
}

/**
 * Cohen's d and Hedges' g of two groups, with an interval from the noncentral t distribution. The interval assumes
 * that the groups share one spread, whichever t test is reported beside it.
 * Source: Cohen (1988), Hedges (1981), Steiger & Fouladi (1997).
 * @throws DomainError without spread
 */
export function standardizedDifference(a: SampleSummary, b: SampleSummary, level: number): StandardizedDifference {
  const sd = Math.sqrt(pooledVariance(a, b));
  demand(sd > 0, 'Without spread there is no standard deviation to measure the difference in.');
  const df = a.n + b.n - 2;
  const cohenD = meanDifference(a, b) / sd;
  const correction = hedgesCorrection(df);
  const perSquareRoot = Math.sqrt(1 / a.n + 1 / b.n);
  const shift = noncentralityInterval(cohenD / perSquareRoot, df, level);
  return {
    cohenD,
    hedgesG: correction * cohenD,
    interval: { low: correction * shift.low * perSquareRoot, high: correction * shift.high * perSquareRoot },
  };
}
