/**
 * The incomplete gamma functions P(s, x) and Q(s, x) = 1 − P(s, x): Kummer's series below the middle, Legendre's
 * continued fraction above it, over a front factor that keeps its digits at any shape. Sources: Lentz (1976) for the
 * continued fraction; Loader (2000) for the front factor.
 */
import { continued } from './continued-fraction';
import { logLess, stirlingRest } from './gamma';

/** xˢ e⁻ˣ / Γ(s + 1): the Poisson probability of s where x are expected. */
export function poissonWeight(s: number, x: number): number {
  if (s === 0) return Math.exp(-x);
  if (x === 0) return 0;
  return Math.exp(s * logLess(x / s, (x - s) / s) - stirlingRest(s)) / Math.sqrt(2 * Math.PI * s);
}

/** P(s, x) by its series, fast for x < s + 1. */
function series(s: number, x: number): number {
  let term = 1;
  let sum = 1;
  for (let k = 1; term > sum * 1e-17; k++) {
    term *= x / (s + k);
    sum += term;
  }
  return poissonWeight(s, x) * sum;
}

/** The continued fraction of Q(s, x), fast for x ≥ s + 1. */
const fractionAt = (s: number, x: number): number => continued(x + 1 - s, (k) => [-k * (k - s), x + 2 * k + 1 - s]);

/** Q(s, x) for x ≥ s + 1. */
const fraction = (s: number, x: number): number => (poissonWeight(s, x) * s) / fractionAt(s, x);

/** ln Q(s, x) for x ≥ s + 1, where Q itself may be too small for a number. */
export const logGammaUpper = (s: number, x: number): number =>
  s * logLess(x / s, (x - s) / s) - stirlingRest(s) + Math.log(s / (2 * Math.PI)) / 2 - Math.log(fractionAt(s, x));

/** Regularized lower incomplete gamma P(s, x). */
export function gammaLower(s: number, x: number): number {
  if (x <= 0) return 0;
  return x < s + 1 ? Math.min(1, series(s, x)) : 1 - fraction(s, x);
}

/** Regularized upper incomplete gamma Q(s, x). */
export function gammaUpper(s: number, x: number): number {
  if (x <= 0) return 1;
  return x < s + 1 ? Math.max(0, 1 - series(s, x)) : fraction(s, x);
}
