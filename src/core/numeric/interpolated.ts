/** A positive function taken many times, from few of its values: its logarithm by Chebyshev polynomials on unit stretches. */
import { nth } from './nth';

/** Values each stretch is known by: enough for twelve digits of a function that bends as slowly as a logarithm of a tail. */
const points = 16;

/** Nodes of a stretch of width 1, from its middle, and what gives the coefficients from the values there. */
const nodes = Array.from({ length: points }, (_, i) => Math.cos((Math.PI * (i + 0.5)) / points));
const cosines = Array.from({ length: points }, (_, k) => nodes.map((x) => Math.cos(k * Math.acos(x))));

/** Below this a logarithm loses digits, or there is none. */
const least = 1e-290;

/**
 * The same function, computed where it is first asked for and interpolated from then on. Smooth functions only, whose
 * logarithm bends on a scale of 1. Source: Trefethen (2013).
 */
export function interpolated(f: (x: number) => number): (x: number) => number {
  const stretches = new Map<number, Float64Array | undefined>();
  const made = (place: number): Float64Array | undefined => {
    const values = nodes.map((x) => f(place + 0.5 + x / 2));
    if (values.some((v) => !(v > least))) return undefined;
    const logs = values.map(Math.log);
    return Float64Array.from(
      cosines,
      (row, k) => ((k === 0 ? 1 : 2) / points) * logs.reduce((s, v, i) => s + v * nth(row, i), 0),
    );
  };
  return (x) => {
    const place = Math.floor(x);
    if (!stretches.has(place)) stretches.set(place, made(place));
    const c = stretches.get(place);
    if (!c) return f(x);
    // Clenshaw's sum.
    const t = 2 * (x - place) - 1;
    let [b1, b2] = [0, 0];
    for (let k = points - 1; k > 0; k--) {
      const b = 2 * t * b1 - b2 + nth(c, k);
      b2 = b1;
      b1 = b;
    }
    return Math.exp(t * b1 - b2 + nth(c, 0));
  };
}
