/** What a mixed model's fit tells of its variances, and what it leaves of readings within subjects. */
import type { RandomIntercept } from '../procedures/random-intercept';
import type { ModelPart } from './comparison';

/** The variances with their intervals. */
export function variancesOf(fit: RandomIntercept, level: number): NonNullable<ModelPart['variances']> {
  const told = fit.intervals(level);
  return {
    within: { variance: fit.within, interval: told.within },
    between: { variance: fit.between, interval: told.between },
    icc: { value: fit.icc, interval: told.icc },
  };
}

/**
 * Every reading less its mean and what its subject adds, as far as that is told from the subject's readings.
 * @param left for each subject its readings less the means they are of
 */
export const conditionalResiduals = (
  { within, between }: RandomIntercept,
  left: readonly (readonly number[])[],
): number[] =>
  left.flatMap((own) => {
    const shift = (between / (within + own.length * between)) * own.reduce((s, e) => s + e, 0);
    return own.map((e) => e - shift);
  });
