import { binomial } from '../distributions/binomial';
import { chiSquare } from '../distributions/chi-square';
import { demand } from '../numeric/domain-error';
import type { TwoByTwo } from './fisher-exact';

export interface McNemar {
  chi2: number;
  p: number;
  chi2Corrected: number;
  pCorrected: number;
  exactP: number;
  midP: number;
}

/**
 * McNemar's test of paired proportions: only pairs that changed say anything. Assumes independent pairs.
 * Source: McNemar (1947); correction: Edwards (1948); mid-p: Fagerland et al. (2013).
 * @param table rows before, columns after
 * @throws DomainError when no pair changed
 */
export function mcnemar([[, b], [c]]: TwoByTwo): McNemar {
  demand(
    [b, c].every((n) => Number.isInteger(n) && n >= 0),
    'Counts must be whole numbers, 0 or more.',
  );
  const changed = b + c;
  demand(changed > 0, 'No pair changed, so there is nothing that could differ.');
  const reference = chiSquare(1);
  const chi2 = (b - c) ** 2 / changed;
  const chi2Corrected = Math.max(0, Math.abs(b - c) - 1) ** 2 / changed;
  const coin = binomial(changed, 0.5);
  const least = Math.min(b, c);
  const exactP = Math.min(1, 2 * coin.lower(least));
  return {
    chi2,
    p: reference.upper(chi2),
    chi2Corrected,
    pCorrected: reference.upper(chi2Corrected),
    exactP,
    midP: Math.min(1, 2 * coin.lower(least) - coin.mass(least)),
  };
}
