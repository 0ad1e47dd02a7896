import { nth } from '../numeric/nth';
import { shareOf, signedSums } from '../distributions/counted';
import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import type { TailProbabilities } from './direction';
import { ranked } from './ranked';

export interface WilcoxonSignedRank {
  /** Sum of the ranks of the positive differences. */
  wPlus: number;
  /** Differences that are not 0; the others say nothing about direction and are left out (Wilcoxon, 1945). */
  n: number;
  zeros: number;
  method: 'exact' | 'normal';
  /** Whether differences are of equal size, so that ranks are shared. */
  tied: boolean;
  p: TailProbabilities;
}

/** Up to this many differences the exact distribution is counted. */
const exactUpTo = 200;

/**
 * Wilcoxon signed-rank test: whether differences lie more to one side of 0. Exact by counting all signs, ties included;
 * beyond that a normal approximation with corrections for ties and continuity. Two-sided p is twice the smaller tail.
 * Assumes independent pairs, differences symmetric about their middle. Source: Wilcoxon (1945).
 * @throws DomainError when every difference is 0
 */
export function wilcoxonSignedRank(
  differences: readonly number[],
  method: 'auto' | 'exact' | 'normal' = 'auto',
  continuity = true,
): WilcoxonSignedRank {
  const some = differences.filter((d) => d !== 0);
  const n = some.length;
  demand(n > 0, 'Every difference is 0, so there is nothing to rank.');
  const { ranks, tieTerm, tied } = ranked(some.map(Math.abs));
  const wPlus = sum(ranks.filter((_, i) => nth(some, i) > 0));
  const base = { wPlus, n, zeros: differences.length - n, tied };
  if (method === 'exact' || (method === 'auto' && n <= exactUpTo)) {
    const doubled = ranks.map((r) => Math.round(2 * r));
    const sums = signedSums(doubled);
    // The signed sum is W⁺ − W⁻ = 2W⁺ − total, in doubled ranks.
    const observed = Math.round(4 * wPlus) - sum(doubled);
    const greater = shareOf(sums, (s) => s >= observed);
    const less = shareOf(sums, (s) => s <= observed);
    return { ...base, method: 'exact', p: { either: Math.min(1, 2 * Math.min(greater, less)), greater, less } };
  }
  const centred = wPlus - (n * (n + 1)) / 4;
  const sd = Math.sqrt((n * (n + 1) * (2 * n + 1)) / 24 - tieTerm / 48);
  const half = continuity ? 0.5 : 0;
  return {
    ...base,
    method: 'normal',
    p: {
      either: Math.min(1, 2 * normal.upper((Math.abs(centred) - half) / sd)),
      greater: normal.upper((centred - half) / sd),
      less: normal.lower((centred + half) / sd),
    },
  };
}
