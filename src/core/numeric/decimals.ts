/**
 * Measurements are typed as decimals, which binary numbers hold only nearly: 1.1 − 1 is not 0.1. What ties with what,
 * and what lies on a limit, is decided by the decimals as typed.
 */

import { nth } from './nth';
import { mostOf } from './extremes';

/** Numbers closer than this, relative to what they were computed from, differ by rounding alone. */
export const dust = 2e-15;

/** Whole numbers up to here are exact, with room for their differences. */
const most = Number.MAX_SAFE_INTEGER / 4;

/** Powers of ten past this are not exact themselves, so that a decimal comes back from them only nearly. */
const exactPower = 1e22;

/** The power of ten that turns every value into a whole number, if one does and the whole numbers stay exact. */
export function decimalScale(values: ArrayLike<number>): number | undefined {
  let scale = 1;
  let largest = 0;
  for (let i = 0; i < values.length; i++) {
    const x = nth(values, i);
    const size = Math.abs(x);
    if (size > largest) largest = size;
    if (Math.round(x * scale) / scale === x) continue;
    while (Math.abs(Math.round(x * scale) / scale - x) > (scale > exactPower ? 4e-16 * size : 0)) {
      scale *= 10;
      if (!(size * scale < most)) return undefined;
    }
  }
  return largest * scale < most ? scale : undefined;
}

/** a − b, exact where both are decimals. */
export function minus(a: number, b: number): number {
  const scale = decimalScale([a, b]);
  return scale === undefined ? a - b : (Math.round(a * scale) - Math.round(b * scale)) / scale;
}

/** Whether two numbers are the same but for rounding. */
export const alike = (a: number, b: number): boolean => Math.abs(a - b) <= dust * Math.max(Math.abs(a), Math.abs(b));

/**
 * Values of which those that differ by rounding alone are made equal, in size and to 0.
 * @param slack how far rounding may have moved each
 */
function settled(values: readonly number[], slack: readonly number[]): number[] {
  const of = (list: readonly number[], i: number): number => nth(list, i);
  const out = values.map((x, i) => (Math.abs(x) <= of(slack, i) ? 0 : x));
  const order = out.map((_, i) => i).sort((i, j) => Math.abs(of(out, i)) - Math.abs(of(out, j)));
  let size = 0;
  let last = -1;
  for (const i of order) {
    const own = Math.abs(of(values, i));
    if (last < 0 || own - Math.abs(of(values, last)) > of(slack, i) + of(slack, last)) size = Math.abs(of(out, i));
    last = i;
    out[i] = Math.sign(of(out, i)) * size;
  }
  return out;
}

/**
 * Each first value less its second, or less one value: exact where both are decimals, and equal where the decimals make
 * them equal. What was computed, logarithms say, is taken as equal where it differs by rounding alone.
 */
export function differencesAsTyped(first: readonly number[], second: readonly number[] | number): number[] {
  const other = typeof second === 'number' ? () => second : (i: number): number => nth(second, i);
  const scale = decimalScale(typeof second === 'number' ? [...first, second] : [...first, ...second]);
  const plain = first.map((x, i) =>
    scale === undefined ? x - other(i) : (Math.round(x * scale) - Math.round(other(i) * scale)) / scale,
  );
  // Decimals of so few digits are whole numbers apart, or the same.
  if (scale !== undefined && mostOf(first.map(Math.abs)) * scale < 1e13) return plain;
  return settled(
    plain,
    first.map((x, i) => dust * (Math.abs(x) + Math.abs(other(i)))),
  );
}

/** Whether a number is the one nearest to a decimal of so many places. */
const hasPlaces = (x: number, places: number): boolean => {
  const scaled = Math.round(x * 10 ** places);
  return Number.isSafeInteger(scaled) ? scaled / 10 ** places === x : Number(x.toFixed(places)) === x;
};

/** The decimals readings were given with: the most any of them has, at most six. */
export function decimalsOf(values: readonly number[]): number {
  let most = 0;
  for (const x of values) {
    while (most < 6 && !hasPlaces(x, most)) most += 1;
    if (most === 6) break;
  }
  return most;
}
