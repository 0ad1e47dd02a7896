/**
 * Interpolation of numbers alone, in place of the package that d3-scale brings with it: scales here map numbers to
 * places, never colours or texts, and what the package holds for those is a thirtieth of the page's scripts.
 * `astro.config.mjs` puts it there.
 */
type Between = (t: number) => number;

/** From one number to another as t goes from 0 to 1. */
export const interpolateNumber =
  (from: number, to: number): Between =>
  (t) =>
    from * (1 - t) + to * t;

export const interpolate = interpolateNumber;

/** The same in whole numbers. */
export function interpolateRound(from: number, to: number): Between {
  const between = interpolateNumber(from, to);
  return (t) => Math.round(between(t));
}

/** From number to number through a list of them, in equal steps of t. */
export function piecewise(step: (from: number, to: number) => Between, values: readonly number[]): Between {
  const steps = values.slice(1).map((to, i) => step(values[i] ?? to, to));
  return (t) => {
    const k = Math.max(0, Math.min(steps.length - 1, Math.floor(t * steps.length)));
    return steps[k]?.(t * steps.length - k) ?? NaN;
  };
}
