/** Integrals of smooth functions that die away at both ends, by equal steps. Source: Trefethen & Weideman (2014). */
import { demand } from './domain-error';

/**
 * Step for the product of k normal curves and tails, divided by √k: such an integrand grows as exp(k y²/2) off the real
 * line, so that steps of h err by exp(−2π²/(k h²)), here 1e-16.
 */
export const smoothStep = 0.73;

/**
 * ∫ f over [from, to] by equal steps, for a smooth f that has died away at both ends: the error then falls
 * exponentially with the number of steps, and fewer are needed than by any rule for panels.
 */
export function trapezoid(f: (x: number) => number, from: number, to: number, step: number): number {
  const count = Math.max(8, Math.ceil((to - from) / step));
  const width = (to - from) / count;
  let total = (f(from) + f(to)) / 2;
  for (let i = 1; i < count; i++) total += f(from + i * width);
  return total * width;
}

/** How far below its peak, as a logarithm, an integrand has died away: e^−42 of the whole is beyond sixteen digits. */
const away = 42;

/**
 * Where a function that rises to one peak has it, walking uphill from `start` and then narrowing by the golden section
 * until it falls by no more than 1 within `reach` to either side: near enough to set the height and the ends by.
 */
function peakOf(f: (x: number) => number, start: number): { peak: number; reach: number } {
  let best = start;
  let top = f(start);
  let scale = Math.max(1, Math.abs(start)) / 8;
  for (;;) {
    const [left, right] = [f(best - scale), f(best + scale)];
    if (left <= top && right <= top) break;
    [best, top] = left > right ? [best - scale, left] : [best + scale, right];
    scale *= 1.5;
    demand(Number.isFinite(best), 'The integrand has no peak.');
  }
  const golden = (Math.sqrt(5) - 1) / 2;
  let [low, high] = [best - scale, best + scale];
  for (let step = 0; step < 80 && top - Math.min(f(low), f(high)) > 1; step++) {
    const [x1, x2] = [high - golden * (high - low), low + golden * (high - low)];
    if (f(x1) > f(x2)) high = x2;
    else low = x1;
    best = (low + high) / 2;
    top = f(best);
  }
  return { peak: best, reach: (high - low) / 2 };
}

/**
 * ∫ exp(logIntegrand) over all numbers, for a smooth integrand with one peak: between the ends where it has died away,
 * steps are halved until the sum stands, which takes its error to the square each time. Relative accuracy holds
 * however small the integral is.
 */
export function integratePeaked(logIntegrand: (x: number) => number, start: number): number {
  const { peak, reach } = peakOf(logIntegrand, start);
  const top = logIntegrand(peak);
  if (top === -Infinity) return 0;
  const end = (direction: -1 | 1): number => {
    let step = direction * reach;
    while (logIntegrand(peak + step) > top - away) step *= 1.3;
    return peak + step;
  };
  const [from, to] = [end(-1), end(1)];
  const height = (x: number): number => Math.exp(logIntegrand(x) - top);
  let width = (to - from) / 32;
  let sum = trapezoid(height, from, to, width);
  for (let halved = 0; halved < 14; halved++) {
    let between = 0;
    for (let x = from + width / 2; x < to; x += width) between += height(x);
    const finer = (sum + between * width) / 2;
    width /= 2;
    const stands = Math.abs(finer - sum) <= 1e-9 * finer;
    sum = finer;
    if (stands) break;
  }
  return Math.exp(top) * sum;
}
