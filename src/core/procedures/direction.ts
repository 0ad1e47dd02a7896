/** Which way a difference is asked about, fixed before looking: either way, or one way. */
export type Direction = 'either' | 'greater' | 'less';

/** The three p-values a symmetric test statistic gives; each tail computed directly. */
export interface TailProbabilities {
  either: number;
  greater: number;
  less: number;
}

/** Below this a p-value is known by its logarithm only: numbers end near 10⁻³⁰⁸. */
export const leastP = 1e-300;

/**
 * p-values of an observed statistic whose reference distribution is symmetric about 0.
 * The smallest positive number stands in where a tail underflows: a p-value is never 0.
 */
export function symmetricTails(distribution: { upper: (x: number) => number }, statistic: number): TailProbabilities {
  const above = (x: number): number => Math.max(distribution.upper(x), Number.MIN_VALUE);
  return {
    either: Math.min(1, 2 * above(Math.abs(statistic))),
    greater: above(statistic),
    less: above(-statistic),
  };
}
