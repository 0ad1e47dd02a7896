import { demand } from './domain-error';
import { nth } from './nth';
import { select, selectAll } from './selection';

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
  const low = nth(sorted, below - 1);
  const high = sorted[Math.min(n, below + 1) - 1] ?? low;
  return low + (bounded - below) * (high - low);
}

/** Where between two of n sorted values the p-quantile lies, from 1. */
function rankOf(n: number, p: number, rule: QuartileRule): number {
  if (rule === 'exclusive') return (n + 1) * p;
  if (rule === 'hinges') {
    // A hinge is the median of a half; the depth of the median, rounded down, gives the half's middle.
    const depth = (Math.floor((n + 1) / 2) + 1) / 2;
    if (p === 0.25) return depth;
    if (p === 0.75) return n + 1 - depth;
  }
  return 1 + (n - 1) * p;
}

/**
 * The p-quantile of values sorted upwards.
 * @param p share below, 0 to 1
 * @throws DomainError with no values or p outside 0 to 1
 */
export function quantile(sorted: ArrayLike<number>, p: number, rule: QuartileRule = 'linear'): number {
  demand(sorted.length > 0, 'There are no values.');
  demand(p >= 0 && p <= 1, 'A share must lie between 0 and 1.');
  return atRank(sorted, rankOf(sorted.length, p, rule));
}

/** Quantiles of values in any order, sorted only as far as these need it. */
export function quantilesOf(
  values: ArrayLike<number>,
  shares: readonly number[],
  rule: QuartileRule = 'linear',
): number[] {
  const n = values.length;
  demand(n > 0, 'There are no values.');
  const copy = new Float64Array(values);
  const places = shares.flatMap((p) => {
    const below = Math.floor(Math.min(n, Math.max(1, rankOf(n, p, rule))));
    return [below - 1, Math.min(n, below + 1) - 1];
  });
  selectAll(
    copy,
    [...new Set(places)].sort((a, b) => a - b),
  );
  return shares.map((p) => quantile(copy, p, rule));
}

/** The middle value, or the mean of the middle two. */
export function medianOf(values: ArrayLike<number>): number {
  const n = values.length;
  demand(n > 0, 'There are no values.');
  const copy = new Float64Array(values);
  const above = n >> 1;
  select(copy, above);
  const high = nth(copy, above);
  if (n % 2 === 1) return high;
  let low = -Infinity;
  for (let i = 0; i < above; i++) low = Math.max(low, nth(copy, i));
  return low + (high - low) / 2;
}

/** A copy sorted upwards, as numbers. */
export function sortedUp(values: ArrayLike<number>): Float64Array {
  return new Float64Array(values).sort();
}
