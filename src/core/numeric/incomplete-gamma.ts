/**
 * The incomplete gamma functions P(s, x) and Q(s, x) = 1 − P(s, x). Small shapes are the package's; from shapes of
 * 200, where it loses digits, they are Kummer's series below the middle and the continued fraction above it, over a
 * front factor that keeps its digits. Sources: Legendre's continued fraction by the method of Lentz (1976);
 * Loader (2000) for the front factor.
 */
import gammainc from '@stdlib/math-base-special-gammainc';
import gammaln from '@stdlib/math-base-special-gammaln';

const large = 200;

/** ln(1 + x) − x without loss near 0. */
function log1pLess(x: number): number {
  if (Math.abs(x) > 0.4) return Math.log1p(x) - x;
  const r = x / (2 + x);
  const square = r * r;
  let sum = 0;
  for (let k = 25, power = square ** 12; k >= 3; k -= 2, power /= square || 1) sum += power / k;
  return r * (2 * sum - x);
}

/** What Stirling's formula leaves out of ln Γ(s + 1), for large s. */
const stirlingRest = (s: number): number => (1 / 12 - (1 / 360 - 1 / (1260 * s * s)) / (s * s)) / s;

/** xˢ e⁻ˣ / Γ(s + 1): the Poisson probability of s where x are expected. */
export function poissonWeight(s: number, x: number): number {
  if (x === 0) return s === 0 ? 1 : 0;
  if (s < large) return Math.exp(s * Math.log(x) - x - gammaln(s + 1));
  return Math.exp(s * log1pLess((x - s) / s) - stirlingRest(s)) / Math.sqrt(2 * Math.PI * s);
}

/** P(s, x) by its series, fast for x ≤ s. */
function series(s: number, x: number): number {
  let term = 1;
  let sum = 1;
  for (let k = 1; term > sum * 1e-17; k++) {
    term *= x / (s + k);
    sum += term;
  }
  return poissonWeight(s, x) * sum;
}

/** Q(s, x) by its continued fraction, fast for x ≥ s. */
function fraction(s: number, x: number): number {
  const tiny = 1e-290;
  let b = x + 1 - s;
  let c = 1 / tiny;
  let d = 1 / b;
  let h = d;
  for (let k = 1; k < 1e7; k++) {
    const a = -k * (k - s);
    b += 2;
    d = 1 / (a * d + b || tiny);
    c = b + a / c || tiny;
    const change = c * d;
    h *= change;
    if (Math.abs(change - 1) < 4e-16) break;
  }
  return poissonWeight(s, x) * s * h;
}

/** Regularized lower incomplete gamma P(s, x). */
export function gammaLower(s: number, x: number): number {
  if (x <= 0) return 0;
  if (s < large) return gammainc(x, s, true, false);
  return x <= s ? series(s, x) : 1 - fraction(s, x);
}

/** Regularized upper incomplete gamma Q(s, x). */
export function gammaUpper(s: number, x: number): number {
  if (x <= 0) return 1;
  if (s < large) return gammainc(x, s, true, true);
  return x <= s ? 1 - series(s, x) : fraction(s, x);
}
