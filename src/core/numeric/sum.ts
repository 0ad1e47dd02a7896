/** Sums and moments that do not lose digits. */
import { decimalScale, dust } from './decimals';
import { DomainError, demand } from './domain-error';

/** a·b and what rounding lost of it (Dekker, 1971; Veltkamp's split). */
function twoProduct(a: number, b: number): { high: number; low: number } {
  const split = (x: number): [number, number] => {
    const c = 134217729 * x;
    const head = c - (c - x);
    return [head, x - head];
  };
  const high = a * b;
  const [ah, al] = split(a);
  const [bh, bl] = split(b);
  return { high, low: ah * bh - high + ah * bl + al * bh + al * bl };
}

/** Σ values with the running rounding error kept beside it (Neumaier, 1974). */
function sumInTwoParts(values: ArrayLike<number>): { high: number; low: number } {
  let high = 0;
  let low = 0;
  for (let i = 0; i < values.length; i++) {
    const x = values[i] ?? 0;
    const next = high + x;
    low += Math.abs(high) >= Math.abs(x) ? high - next + x : x - next + high;
    high = next;
  }
  return { high, low };
}

/** Σ values, correctly rounded in all but contrived cases. The empty sum is 0. */
export function sum(values: ArrayLike<number>): number {
  const { high, low } = sumInTwoParts(values);
  return high + low;
}

/** Distances of values from an origin near them, exact where the values are decimals. */
export interface Offsets {
  /** The origin, and what of it a number cannot hold. */
  origin: number;
  originRest: number;
  offsets: Float64Array;
}

/** Measures values from the first of them. Values that differ by dust alone do not differ. */
export function offsetsOf(values: ArrayLike<number>): Offsets {
  const origin = values[0] ?? 0;
  const scale = decimalScale(values);
  const offsets = new Float64Array(values.length);
  const whole = scale === undefined ? 0 : Math.round(origin * scale);
  let differ = false;
  for (let i = 0; i < values.length; i++) {
    const x = values[i] ?? 0;
    const offset = scale === undefined ? x - origin : (Math.round(x * scale) - whole) / scale;
    offsets[i] = offset;
    if (Math.abs(offset) > dust * Math.abs(origin)) differ = true;
  }
  if (!differ) offsets.fill(0);
  if (scale === undefined) return { origin, originRest: 0, offsets };
  const back = twoProduct(origin, scale);
  return { origin, originRest: (whole - back.high - back.low) / scale, offsets };
}

/** n, mean, the deviations from the mean and the sum of their squares. */
export interface Moments {
  n: number;
  mean: number;
  /** What of the mean its number cannot hold: the mean is `mean + meanRest`. Matters in differences of close means. */
  meanRest: number;
  /** Each value less the mean, the mean taken to more digits than it can be written with. */
  deviations: Float64Array;
  /** Σ (x − mean)², in squared units. */
  sumOfSquares: number;
}

/**
 * Moments by the corrected two-pass method (Chan, Golub & LeVeque, 1983) on exact decimal offsets, so that readings far
 * from zero (1 000 000.4, 1 000 000.3 …) keep every digit their decimals hold.
 * @throws DomainError with no values, or where squares leave the range of numbers
 */
export function moments(values: ArrayLike<number>): Moments {
  const n = values.length;
  demand(n > 0, 'There are no values.');
  const { origin, originRest, offsets } = offsetsOf(values);
  const total = sumInTwoParts(offsets);
  const centre = (total.high + total.low) / n;
  const product = twoProduct(n, centre);
  const centreRest = (total.high - product.high - product.low + total.low) / n;
  const deviations = offsets.map((d) => d - centre - centreRest);
  const drift = sum(deviations);
  const sumOfSquares = Math.max(0, sum(deviations.map((d) => d * d)) - (drift * drift) / n);
  const mean = origin + centre;
  const lost = Math.abs(origin) >= Math.abs(centre) ? origin - mean + centre : centre - mean + origin;
  if (!Number.isFinite(mean) || !Number.isFinite(sumOfSquares))
    throw new DomainError('The values are too large to be squared and added: divide them all by a power of ten.');
  // Squares this small have lost digits, or vanished: that must not pass for no spread.
  if (sumOfSquares < 1e-280 && deviations.some((d) => d !== 0))
    throw new DomainError('The values differ by too little to be squared: multiply them all by a power of ten.');
  return { n, mean, meanRest: lost + centreRest + originRest, deviations, sumOfSquares };
}
