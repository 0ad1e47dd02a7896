/** Intervals of the variances within samples and between them, and of the intraclass correlation. */
import { chiSquare } from '../distributions/chi-square';
import { findZero } from '../numeric/solve';
import type { Interval } from './interval';
import { type Profile, type Sums, profile } from './restricted-likelihood';

/** Interval of a variance whose estimate is distributed as chi-square on df. Exact for the spread within samples of one size. */
export function chiSquareInterval(variance: number, df: number, level: number): Interval {
  const reference = chiSquare(df);
  const tail = (1 - level) / 2;
  return {
    low: (df * variance) / reference.upperQuantile(tail),
    high: (df * variance) / reference.quantile(tail),
  };
}

/** How far the log-likelihood may fall within an interval. */
const drop = (level: number): number => chiSquare(1).upperQuantile(1 - level) / 2;

/** Where a curve falls below a height, going away from its top; the last place looked at where it never does. */
function crossing(curve: (x: number) => number, height: number, top: number, steps: readonly number[]): number {
  let inside = top;
  for (const x of steps) {
    if (curve(x) < height) return findZero((at) => curve(at) - height, inside, x, 1e-6);
    inside = x;
  }
  return inside;
}

/** Ratios away from the likeliest, down and up, in steps that reach the ends of what is possible. */
function around(ratio: number, largest: number): { down: number[]; up: number[] } {
  const reach = ratio + 1 / largest;
  const steps = Array.from({ length: 32 }, (_, i) => Math.exp((i + 1) / 2));
  return {
    down: steps.map((s) => reach / s - 1 / largest),
    up: steps.map((s) => reach * s - 1 / largest),
  };
}

/** Profile likelihood interval of the intraclass correlation. */
export function iccInterval(sums: Sums, best: Profile & { ratio: number }, largest: number, level: number): Interval {
  const curve = (ratio: number): number => profile(sums, ratio).logLikelihood;
  const height = best.logLikelihood - drop(level);
  const { down, up } = around(best.ratio, largest);
  const icc = (ratio: number): number => ratio / (1 + ratio);
  return {
    low: icc(crossing(curve, height, best.ratio, down)),
    high: icc(crossing(curve, height, best.ratio, up)),
  };
}

/** Profile likelihood interval of the variance between samples, the one within them at its likeliest for each. */
export function betweenInterval(
  sums: Sums,
  best: Profile & { ratio: number },
  largest: number,
  level: number,
): Interval {
  const df = sums.readings - sums.coefficients;
  /** The log-likelihood at both variances. */
  const joint = (between: number, ratio: number): number => {
    const { residual, determinants } = profile(sums, ratio);
    const within = between / ratio;
    return -(df * Math.log(within) + residual / within - df + determinants) / 2;
  };
  // The ratio on a scale without ends; its likeliest moves little from one variance to the next, so each search starts
  // where the last one ended.
  const scaleOf = (ratio: number): number => (ratio > 0 ? Math.log(ratio) : Math.log(-1 / (largest * ratio) - 1));
  const start = { above: scaleOf(Math.max(best.ratio, 1e-3)), below: scaleOf(Math.min(best.ratio, -1e-3 / largest)) };
  /** Its greatest over the variance within, for one between: a search over the ratio, of the same sign. */
  const curve = (between: number): number => {
    if (between === 0) return profile(sums, 0).logLikelihood;
    const side = between > 0 ? 'above' : 'below';
    const at = (z: number): number =>
      joint(between, side === 'above' ? Math.exp(z) : -1 / (largest * (1 + Math.exp(z))));
    const top = greatest(at, start[side]);
    start[side] = top.x;
    return top.height;
  };
  const height = best.logLikelihood - drop(level);
  const seen = best.ratio * best.variance;
  const least = -best.variance / largest;
  const unit = seen - least;
  const steps = Array.from({ length: 24 }, (_, i) => Math.exp((i + 1) / 2));
  return {
    low: crossing(
      curve,
      height,
      seen,
      steps.map((s) => least + unit / s),
    ),
    high: crossing(
      curve,
      height,
      seen,
      steps.map((s) => least + unit * s),
    ),
  };
}

/** Where a curve of one top is greatest, from a place near it: steps that double until it falls, then golden section (Kiefer, 1953). */
function greatest(curve: (x: number) => number, from: number): { x: number; height: number } {
  let [x, height] = [from, curve(from)];
  let step = curve(from + 0.25) > height ? 0.25 : -0.25;
  for (let next = curve(x + step); next > height && Math.abs(x) < 60; next = curve(x + step)) {
    [x, height] = [x + step, next];
    step *= 2;
  }
  let [low, high] = [Math.min(x - step, x + step), Math.max(x - step, x + step)];
  const golden = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [high - golden * (high - low), low + golden * (high - low)];
  let [atA, atB] = [curve(a), curve(b)];
  // The height is flat at its top: so near is near enough.
  while (high - low > 1e-3)
    if (atA > atB) {
      [high, b, atB] = [b, a, atA];
      a = high - golden * (high - low);
      atA = curve(a);
    } else {
      [low, a, atA] = [a, b, atB];
      b = low + golden * (high - low);
      atB = curve(b);
    }
  x = (low + high) / 2;
  return { x, height: Math.max(height, curve(x)) };
}
