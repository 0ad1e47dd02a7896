import { nth } from '../numeric/nth';
import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import { type TailProbabilities, symmetricTails } from './direction';
import { type Share, checkedShare } from './one-proportion';

/**
 * Cochran–Armitage test of a trend in proportions across ordered groups. Source: Cochran (1954), Armitage (1955).
 * @param scores where the groups lie: doses, days
 */
export function proportionTrend(
  shares: readonly Share[],
  scores: readonly number[],
): { z: number; p: TailProbabilities } {
  demand(
    shares.length === scores.length && shares.length >= 2,
    'A trend needs at least two groups, each with its score.',
  );
  shares.forEach(checkedShare);
  const n = sum(shares.map((s) => s.n));
  const p = sum(shares.map((s) => s.successes)) / n;
  const mean = sum(shares.map((s, i) => s.n * nth(scores, i))) / n;
  const slope = sum(shares.map((s, i) => (s.successes - s.n * p) * (nth(scores, i) - mean)));
  const variance = p * (1 - p) * sum(shares.map((s, i) => s.n * (nth(scores, i) - mean) ** 2));
  demand(variance > 0, 'All outcomes or all scores are the same, so there can be no trend.');
  const z = slope / Math.sqrt(variance);
  return { z, p: symmetricTails(normal, z) };
}
