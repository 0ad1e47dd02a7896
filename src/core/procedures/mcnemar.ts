import { binomial } from '../distributions/binomial';
import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { type TailProbabilities, symmetricTails } from './direction';
import type { TwoByTwo } from './fisher-exact';

/** The first share against the second: `greater` speaks for a first share that is the larger. */
export interface McNemar {
  /** Changes the one way less changes the other, in standard errors; 0 where nothing changed. */
  z: number;
  /** z², which follows χ² on one degree of freedom. */
  chi2: number;
  score: TailProbabilities;
  chi2Corrected: number;
  corrected: TailProbabilities;
  exact: TailProbabilities;
  midP: TailProbabilities;
}

/**
 * McNemar's test of paired proportions: only pairs that changed say anything. Where none did, no arrangement is further
 * out than the one seen, and p is 1. Assumes independent pairs.
 * Source: McNemar (1947); correction: Edwards (1948); mid-p: Fagerland et al. (2013).
 * @param table rows first, columns second; the first of each is the outcome asked about
 */
export function mcnemar([[, b], [c]]: TwoByTwo): McNemar {
  demand(
    [b, c].every((n) => Number.isInteger(n) && n >= 0),
    'Counts must be whole numbers, 0 or more.',
  );
  const changed = b + c;
  const root = Math.sqrt(changed || 1);
  const [z, nearer] = [(b - c) / root, (Math.sign(b - c) * Math.max(0, Math.abs(b - c) - 1)) / root];
  const coin = binomial(changed, 0.5);
  const both = (greater: number, less: number): TailProbabilities => ({
    either: Math.min(1, 2 * Math.min(greater, less)),
    greater,
    less,
  });
  const half = coin.mass(b) / 2;
  const none: TailProbabilities = { either: 1, greater: 1, less: 1 };
  return {
    z,
    chi2: z * z,
    score: changed === 0 ? none : symmetricTails(normal, z),
    chi2Corrected: nearer * nearer,
    corrected: changed === 0 ? none : symmetricTails(normal, nearer),
    exact: both(coin.upper(b), coin.lower(b)),
    midP: changed === 0 ? none : both(coin.upper(b) - half, coin.lower(b) - half),
  };
}
