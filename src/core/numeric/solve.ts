import { DomainError } from './domain-error';

/** A tail to be inverted: monotone in x between `from` and `to`, with its density where one is known. */
export interface TailEquation {
  tail: (x: number) => number;
  /** The probability wanted of the tail, 0 < p < 1. */
  p: number;
  /** True when the tail grows with x (a lower tail). */
  rising: boolean;
  density?: (x: number) => number;
  from: number;
  to: number;
  start: number;
  /** Relative accuracy asked of x; by default all that the number can hold. */
  relative?: number;
}

const middle = (low: number, high: number): number => {
  if (low === -Infinity) return high >= 0 ? -1 : 2 * high;
  if (high === Infinity) return low <= 0 ? 1 : 2 * low;
  // Across many orders of magnitude, halve the logarithm instead of the length.
  return low > 0 && high / low > 8 ? Math.sqrt(low) * Math.sqrt(high) : low + (high - low) / 2;
};

/**
 * Solves tail(x) = p by Newton's method on ln tail, kept inside a shrinking bracket; without a density, by bisection
 * and secants. Working on the logarithm keeps it quick and exact for p down to 1e-300.
 */
export function solveTail({ tail, p, rising, density, from, to, start, relative = 4e-16 }: TailEquation): number {
  let low = from;
  let high = to;
  let x = start > from && start < to ? start : middle(from, to);
  let last: { x: number; f: number } | undefined;
  for (let step = 0; step < 400; step++) {
    const value = tail(x);
    const f = Math.log(value / p);
    if (f === 0) return x;
    if (f > 0 === rising) high = x;
    else low = x;
    let next = Number.NaN;
    if (density) next = x - (f * value) / (rising ? density(x) : -density(x));
    else if (last && Number.isFinite(f) && Number.isFinite(last.f) && f !== last.f)
      next = x - (f * (x - last.x)) / (f - last.f);
    last = { x, f };
    if (!(next > low && next < high)) next = middle(low, high);
    if (Math.abs(next - x) <= relative * Math.abs(x) || next === x) return next;
    // Where rounding makes Newton hop between neighbours, the bracket has closed: either end will do.
    if (high - low <= 8e-16 * Math.min(Number.MAX_VALUE, Math.max(Math.abs(low), Math.abs(high)))) return next;
    x = next;
  }
  throw new DomainError('The boundary for this probability could not be found.');
}

/**
 * Finds where a continuous function crosses zero between two points of opposite sign, by bisection with
 * inverse-quadratic steps (Brent, 1973).
 */
export function findZero(f: (x: number) => number, from: number, to: number, relative = 1e-14): number {
  return between(f, [from, f(from)], [to, f(to)], relative);
}

/** The same from a good guess, within about `width` of which the crossing lies: the stretch is widened until it does. */
export function findZeroNear(f: (x: number) => number, guess: number, width: number, relative = 1e-14): number {
  for (let reach = width; Number.isFinite(reach); reach *= 2) {
    const left: Point = [guess - reach, f(guess - reach)];
    const right: Point = [guess + reach, f(guess + reach)];
    if (left[1] > 0 !== right[1] > 0) return between(f, left, right, relative);
  }
  throw new DomainError('No crossing lies between the two ends.');
}

type Point = [x: number, value: number];

function between(f: (x: number) => number, left: Point, right: Point, relative: number): number {
  let [a, fa] = left;
  let [b, fb] = right;
  if (fa === 0) return a;
  if (fb === 0) return b;
  if (fa > 0 === fb > 0) throw new DomainError('No crossing lies between the two ends.');
  let c = a;
  let fc = fa;
  let step = b - a;
  let before = step;
  for (let i = 0; i < 300; i++) {
    if (fb > 0 === fc > 0) {
      c = a;
      fc = fa;
      step = before = b - a;
    }
    if (Math.abs(fc) < Math.abs(fb)) {
      [a, b, c] = [b, c, b];
      [fa, fb, fc] = [fb, fc, fb];
    }
    const tolerance = Math.max(relative * Math.abs(b), 1e-300);
    const half = (c - b) / 2;
    if (Math.abs(half) <= tolerance || fb === 0) return b;
    if (Math.abs(before) >= tolerance && Math.abs(fa) > Math.abs(fb)) {
      const s = fb / fa;
      let p: number;
      let q: number;
      if (a === c) {
        p = 2 * half * s;
        q = 1 - s;
      } else {
        const u = fa / fc;
        const r = fb / fc;
        p = s * (2 * half * u * (u - r) - (b - a) * (r - 1));
        q = (u - 1) * (r - 1) * (s - 1);
      }
      if (p > 0) q = -q;
      else p = -p;
      if (2 * p < Math.min(3 * half * q - Math.abs(tolerance * q), Math.abs(before * q))) {
        before = step;
        step = p / q;
      } else step = before = half;
    } else step = before = half;
    a = b;
    fa = fb;
    b += Math.abs(step) > tolerance ? step : half > 0 ? tolerance : -tolerance;
    fb = f(b);
  }
  return b;
}
