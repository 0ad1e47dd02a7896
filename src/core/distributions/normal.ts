import { demand } from '../numeric/domain-error';
import { erfc, erfcinv } from '../numeric/special';
import type { Distribution } from './distribution';

const upper = (z: number): number => erfc(z / Math.SQRT2) / 2;

function quantile(p: number): number {
  demand(p >= 0 && p <= 1, 'A probability must lie between 0 and 1.');
  return -Math.SQRT2 * erfcinv(2 * p);
}

/** The standard normal distribution. Tails by the complementary error function (Cody, 1969). */
export const normal: Distribution = {
  symbol: 'z',
  density: (z) => Math.exp(-(z * z) / 2) / Math.sqrt(2 * Math.PI),
  lower: (z) => upper(-z),
  upper,
  quantile,
  upperQuantile: (p) => -quantile(p),
};
