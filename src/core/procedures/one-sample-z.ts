import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { type TailProbabilities, symmetricTails } from './direction';
import { type Interval, checkedLevel } from './interval';

export interface OneSampleZ {
  mean: number;
  se: number;
  z: number;
  criticalZ: number;
  interval: Interval;
  p: TailProbabilities;
}

/**
 * One-sample z-test: a mean against a fixed value when the population's SD is known, z = (ȳ − μ₀) / (σ/√n).
 * Assumes independent readings and a σ that was not estimated from them. Source: Gauss (1809).
 * @param knownSd σ, in the readings' units
 * @throws DomainError unless n is a whole number ≥ 1 and σ > 0
 */
export function oneSampleZ(mean: number, n: number, knownSd: number, nullMean: number, level: number): OneSampleZ {
  demand(Number.isInteger(n) && n >= 1, 'n must be a whole number of at least 1.');
  demand(knownSd > 0, 'The known standard deviation must be above 0.');
  const se = knownSd / Math.sqrt(n);
  const z = (mean - nullMean) / se;
  const criticalZ = normal.upperQuantile((1 - checkedLevel(level)) / 2);
  return {
    mean,
    se,
    z,
    criticalZ,
    interval: { low: mean - criticalZ * se, high: mean + criticalZ * se },
    p: symmetricTails(normal, z),
  };
}
