/**
 * The incomplete beta function I_x(a, b), by its continued fraction over a front factor that keeps its digits at any
 * shape. Sources: Müller (1931) for the fraction; Loader (2000) for the front factor.
 */
import { continued } from './continued-fraction';
import { logLess, stirlingRest } from './gamma';

/** ln (xᵃ yᵇ / B(a, b)) with x + y = 1. */
function logBetaWeight(x: number, y: number, a: number, b: number): number {
  const n = a + b;
  // x n = a + (x b − y a): how far x lies from the middle, without the middle.
  const away = x * b - y * a;
  const power = a * logLess(x * (n / a), away / a) + b * logLess(y * (n / b), -away / b);
  return Math.log((a / (2 * Math.PI)) * (b / n)) / 2 + power + stirlingRest(n) - stirlingRest(a) - stirlingRest(b);
}

/** xᵃ yᵇ / B(a, b) with x + y = 1. */
const betaWeight = (x: number, y: number, a: number, b: number): number => Math.exp(logBetaWeight(x, y, a, b));

/** The continued fraction of I_x(a, b), fast for x below about the middle. */
const fractionAt = (x: number, a: number, b: number): number =>
  continued(1, (k) => {
    const m = k >> 1;
    const at = a + 2 * m;
    return [k % 2 === 0 ? (m * (b - m) * x) / ((at - 1) * at) : (-(a + m) * (a + b + m) * x) / (at * (at + 1)), 1];
  });

/** I_x(a, b) for x below about the middle. */
const below = (x: number, y: number, a: number, b: number): number =>
  betaWeight(x, y, a, b) / (a * fractionAt(x, a, b));

/** ln I_x(a, b) for x below about the middle, where I itself may be too small for a number. */
export const logBetaLower = (x: number, complement: number, a: number, b: number): number =>
  logBetaWeight(x, complement, a, b) - Math.log(a * fractionAt(x, a, b));

/** Regularized incomplete beta I_x(a, b), given x and its complement. */
export function betaLower(x: number, complement: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (complement <= 0) return 1;
  return x < (a + 1) / (a + b + 2)
    ? Math.min(1, below(x, complement, a, b))
    : Math.max(0, 1 - below(complement, x, b, a));
}
