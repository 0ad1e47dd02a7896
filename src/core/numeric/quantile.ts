import { demand } from './domain-error';

/** How a quartile is read between two readings. Names and numbers follow Hyndman & Fan (1996); hinges follow Tukey (1977). */
export type QuartileRule = 'linear' | 'exclusive' | 'hinges';

/** Each rule in words, as it is stated beside the figures it gave. */
export const quartileRules: Record<QuartileRule, string> = {
  linear: 'linear between ranks 1 + (n − 1)p (Hyndman–Fan 7)',
  exclusive: 'linear between ranks (n + 1)p (Hyndman–Fan 6)',
  hinges: 'medians of the lower and upper halves, the middle reading in both (Tukey)',
};

function atRank(sorted: ArrayLike<number>, rank: number): number {
  const n = sorted.length;
  const bounded = Math.min(n, Math.max(1, rank));
  const below = Math.floor(bounded);
  const low = sorted[below - 1] ?? 0;
  const high = sorted[Math.min(n, below + 1) - 1] ?? low;
  return low + (bounded - below) * (high - low);
}

/**
 * The p-quantile of values sorted upwards.
 * @param p share below, 0 to 1
 * @throws DomainError with no values or p outside 0 to 1
 */
export function quantile(sorted: ArrayLike<number>, p: number, rule: QuartileRule = 'linear'): number {
  const n = sorted.length;
  demand(n > 0, 'There are no values.');
  demand(p >= 0 && p <= 1, 'A share must lie between 0 and 1.');
  if (rule === 'exclusive') return atRank(sorted, (n + 1) * p);
  if (rule === 'hinges' && p !== 0.5) {
    // A hinge is the median of a half; the depth of the median, rounded down, gives the half's middle.
    const depth = (Math.floor((n + 1) / 2) + 1) / 2;
    if (p === 0.25) return atRank(sorted, depth);
    if (p === 0.75) return atRank(sorted, n + 1 - depth);
  }
  return atRank(sorted, 1 + (n - 1) * p);
}

/** A copy sorted upwards, as numbers. */
export function sortedUp(values: ArrayLike<number>): Float64Array {
  return Float64Array.from(values).sort();
}
