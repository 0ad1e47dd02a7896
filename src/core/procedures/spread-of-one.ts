import { chiSquare } from '../distributions/chi-square';
import { demand } from '../numeric/domain-error';
import type { TailProbabilities } from './direction';
import { type Interval, checkedLevel } from './interval';

export interface SpreadOfOne {
  chi2: number;
  df: number;
  p: TailProbabilities;
  sdInterval: Interval;
  varianceInterval: Interval;
}

/**
 * One standard deviation against a stated one: χ² = (n − 1)s²/σ₀² on n − 1 df; two-sided p is twice the smaller tail.
 * Assumes normal readings, strictly. Source: Fisher (1925).
 * @throws DomainError unless n ≥ 2, s ≥ 0 and σ₀ > 0
 */
export function spreadOfOne(sd: number, n: number, nullSd: number, level: number): SpreadOfOne {
  demand(Number.isInteger(n) && n >= 2, 'n must be a whole number of at least 2.');
  demand(sd >= 0, 'A standard deviation cannot be negative.');
  demand(nullSd > 0, 'The stated standard deviation must be above 0.');
  const df = n - 1;
  const reference = chiSquare(df);
  const chi2 = df * (sd / nullSd) ** 2;
  const tail = (1 - checkedLevel(level)) / 2;
  const greater = reference.upper(chi2);
  const less = reference.lower(chi2);
  const sdInterval = {
    low: sd * Math.sqrt(df / reference.upperQuantile(tail)),
    high: sd * Math.sqrt(df / reference.quantile(tail)),
  };
  return {
    chi2,
    df,
    p: { either: Math.min(1, 2 * Math.min(greater, less)), greater, less },
    sdInterval,
    varianceInterval: { low: sdInterval.low ** 2, high: sdInterval.high ** 2 },
  };
}
