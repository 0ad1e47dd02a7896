import { demand } from '../numeric/domain-error';
import { erfc } from '../numeric/special';
import type { Distribution } from './distribution';

const upper = (z: number): number => erfc(z / Math.SQRT2) / 2;

/** ln P(Z ≥ z), by its asymptotic expansion once the tail itself underflows. */
export function logUpper(z: number): number {
  if (z < 36) return Math.log(upper(z));
  const s = 1 / (z * z);
  return -(z * z) / 2 - Math.log(z * Math.sqrt(2 * Math.PI)) + Math.log1p(-s * (1 - s * (3 - s * 15)));
}

/**
 * The z with P(Z ≥ z) = p, p ≤ ½: the rational start of Hastings (1955), then Newton's steps on the logarithm of the
 * tail, whose relative accuracy holds as far out as numbers go.
 */
function above(p: number): number {
  if (p === 0) return Infinity;
  const target = Math.log(p);
  const t = Math.sqrt(-2 * target);
  let z = t - (2.515517 + t * (0.802853 + t * 0.010328)) / (1 + t * (1.432788 + t * (0.189269 + t * 0.001308)));
  for (let i = 0; i < 3; i++) {
    const log = logUpper(z);
    z += (log - target) * Math.exp(log + (z * z) / 2) * Math.sqrt(2 * Math.PI);
  }
  return p === 0.5 ? 0 : z;
}

function upperQuantile(p: number): number {
  demand(p >= 0 && p <= 1, 'A probability must lie between 0 and 1.');
  return p <= 0.5 ? above(p) : -above(1 - p);
}

/** The standard normal distribution. Tails by the complementary error function (Cody, 1969). */
export const normal: Distribution = {
  symbol: 'z',
  density: (z) => Math.exp(-(z * z) / 2) / Math.sqrt(2 * Math.PI),
  lower: (z) => upper(-z),
  upper,
  logUpper,
  quantile: (p) => -upperQuantile(p),
  upperQuantile,
};
