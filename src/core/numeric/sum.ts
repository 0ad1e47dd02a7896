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

/* eslint-disable @typescript-eslint/no-non-null-assertion -- indices lie within the arrays, and there may be a million */

/** Up to this many values each is added with its error; of more, a few at a time, which loses next to nothing. */
const each = 4096;
const few = 32;

/** Σ of what is added, with the running rounding error kept beside it (Neumaier, 1974). */
class Total {
  high = 0;
  low = 0;

  add(x: number): void {
    const next = this.high + x;
    this.low += Math.abs(this.high) >= Math.abs(x) ? this.high - next + x : x - next + this.high;
    this.high = next;
  }
}

function sumInTwoParts(values: ArrayLike<number>): Total {
  const total = new Total();
  const n = values.length;
  if (n <= each) {
    for (let i = 0; i < n; i++) total.add(values[i]!);
    return total;
  }
  for (let i = 0; i < n;) {
    let some = 0;
    for (const end = Math.min(n, i + few); i < end; i++) some += values[i]!;
    total.add(some);
  }
  return total;
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
  const n = values.length;
  const origin = n > 0 ? values[0]! : 0;
  const scale = decimalScale(values);
  const offsets = new Float64Array(n);
  const whole = scale === undefined ? 0 : Math.round(origin * scale);
  let reach = 0;
  if (scale === undefined)
    for (let i = 0; i < n; i++) {
      const offset = values[i]! - origin;
      offsets[i] = offset;
      if (Math.abs(offset) > reach) reach = Math.abs(offset);
    }
  else
    for (let i = 0; i < n; i++) {
      const offset = (Math.round(values[i]! * scale) - whole) / scale;
      offsets[i] = offset;
      if (Math.abs(offset) > reach) reach = Math.abs(offset);
    }
  if (reach <= dust * Math.abs(origin)) offsets.fill(0);
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
  // The offsets become the deviations, their squares added on the way.
  const deviations = offsets;
  const squares = new Total();
  let drift = 0;
  let far = 0;
  for (let i = 0; i < n;) {
    let some = 0;
    for (const end = Math.min(n, i + (n <= each ? 1 : few)); i < end; i++) {
      const d = offsets[i]! - centre - centreRest;
      deviations[i] = d;
      drift += d;
      some += d * d;
      if (Math.abs(d) > far) far = Math.abs(d);
    }
    squares.add(some);
  }
  const sumOfSquares = Math.max(0, squares.high + squares.low - (drift * drift) / n);
  const mean = origin + centre;
  const lost = Math.abs(origin) >= Math.abs(centre) ? origin - mean + centre : centre - mean + origin;
  if (!Number.isFinite(mean) || !Number.isFinite(sumOfSquares))
    throw new DomainError('The values are too large to be squared and added: divide them all by a power of ten.');
  // Squares this small have lost digits, or vanished: that must not pass for no spread.
  if (sumOfSquares < 1e-280 && far > 0)
    throw new DomainError('The values differ by too little to be squared: multiply them all by a power of ten.');
  return { n, mean, meanRest: lost + centreRest + originRest, deviations, sumOfSquares };
}
/* eslint-enable @typescript-eslint/no-non-null-assertion */
