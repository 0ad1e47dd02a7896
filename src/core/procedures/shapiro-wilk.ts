import { nth } from '../numeric/nth';
import { normal } from '../distributions/normal';
import { attempt, demand } from '../numeric/domain-error';
import { polynomial } from '../numeric/polynomial';
import { sortedUp } from '../numeric/quantile';
import { moments, sum } from '../numeric/sum';

export interface ShapiroWilk {
  /** 1 for a perfectly straight normal quantile plot. */
  w: number;
  p: number;
}

/**
 * Shapiro–Wilk test of normality, for 3 to 5000 values. Source: Shapiro & Wilk (1965); weights and p by Royston (1995),
 * algorithm AS R94.
 * @throws DomainError outside 3 to 5000 values, or when all are the same
 */
export function shapiroWilk(values: readonly number[]): ShapiroWilk {
  const n = values.length;
  demand(n >= 3, 'At least three readings are needed to judge their shape.');
  demand(n <= 5000, 'With more than 5000 readings look at the quantile plot: any departure would be significant.');
  const { sumOfSquares, mean } = moments(values);
  demand(sumOfSquares > 0, 'All readings are the same, so they have no shape to judge.');
  const x = sortedUp(values);
  const half = Math.floor(n / 2);
  const weights = new Float64Array(half);
  if (n === 3) weights[0] = Math.SQRT1_2;
  else {
    // Expected normal scores of the lower half, negative; the upper half mirrors them.
    const scores = Float64Array.from({ length: half }, (_, i) => normal.quantile((i + 1 - 0.375) / (n + 0.25)));
    const square = 2 * sum(scores.map((m) => m * m));
    const root = 1 / Math.sqrt(n);
    const first =
      polynomial([-2.706056, 4.434685, -2.07119, -0.147981, 0.221157, 0], root) - nth(scores, 0) / Math.sqrt(square);
    weights[0] = first;
    let from = 1;
    let rest = (square - 2 * nth(scores, 0) ** 2) / (1 - 2 * first * first);
    if (n > 5) {
      const second =
        polynomial([-3.582633, 5.682633, -1.752461, -0.293762, 0.042981, 0], root) - nth(scores, 1) / Math.sqrt(square);
      weights[1] = second;
      from = 2;
      rest =
        (square - 2 * nth(scores, 0) ** 2 - 2 * nth(scores, 1) ** 2) / (1 - 2 * first * first - 2 * second * second);
    }
    for (let i = from; i < half; i++) weights[i] = -nth(scores, i) / Math.sqrt(rest);
  }
  const scale = Math.sqrt(sumOfSquares);
  const slope = sum(weights.map((a, i) => (a * ((x[n - 1 - i] ?? mean) - (x[i] ?? mean))) / scale));
  const w = Math.min(1, slope * slope);
  return { w, p: Math.min(1, Math.max(pOf(w, n), Number.MIN_VALUE)) };
}

function pOf(w: number, n: number): number {
  if (n === 3) return Math.max(0, (6 / Math.PI) * (Math.asin(Math.sqrt(w)) - Math.asin(Math.sqrt(0.75))));
  let y = Math.log1p(-w);
  let centre: number;
  let spread: number;
  if (n <= 11) {
    const bound = polynomial([0.459, -2.273], n);
    if (y >= bound) return 0;
    y = -Math.log(bound - y);
    centre = polynomial([-6.714e-4, 0.025054, -0.39978, 0.544], n);
    spread = Math.exp(polynomial([-0.0020322, 0.062767, -0.77857, 1.3822], n));
  } else {
    const size = Math.log(n);
    centre = polynomial([0.0038915, -0.083751, -0.31082, -1.5861], size);
    spread = Math.exp(polynomial([0.0030302, -0.082676, -0.4803], size));
  }
  return normal.upper((y - centre) / spread);
}

/**
 * Whether each of several samples looks normal, whatever their spreads: the test of each, taken together by the mean of
 * their normal scores. Samples of fewer than three say nothing. Source: Wilk & Shapiro (1968).
 * @throws DomainError where no sample can be tested
 */
export function jointShapiroWilk(samples: readonly (readonly number[])[]): { p: number } {
  const scores = samples.flatMap((values) => {
    const found = attempt(() => shapiroWilk(values));
    return found.ok ? [normal.quantile(Math.min(1 - 1e-16, Math.max(1e-300, found.value.p)))] : [];
  });
  demand(scores.length > 0, 'No group has three readings that differ.');
  return { p: normal.lower(sum(scores) / Math.sqrt(scores.length)) };
}
