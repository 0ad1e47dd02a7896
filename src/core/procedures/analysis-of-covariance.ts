import { nth } from '../numeric/nth';
import { fisherF } from '../distributions/f';
import { studentT } from '../distributions/t';
import { demand } from '../numeric/domain-error';
import { moments, sum } from '../numeric/sum';
import { there } from '../numeric/there';
import type { Interval } from './interval';
import { type TTest, tTest } from './t-test';

/** A line of the table of sums of squares. */
export interface CovarianceLine {
  ss: number;
  df: number;
  ms: number;
  f: number;
  p: number;
}

export interface AnalysisOfCovariance {
  /** Groups, each at the same value of the covariate. */
  group: CovarianceLine;
  covariate: CovarianceLine;
  residual: { ss: number; df: number; ms: number };
  /** About the grand mean. */
  total: { ss: number; df: number };
  /** By how much a reading is larger where the covariate is one larger, within groups. */
  slope: TTest;
  /** The value of the covariate the means are adjusted to. */
  at: number;
  adjusted: { mean: number; se: number; interval: Interval }[];
  /** A weighted sum of the adjusted means, its weights summing to 0. */
  effect: (weights: readonly number[], level: number) => TTest;
  /** Whether the slopes of the groups differ; undefined where a group cannot have one of its own. */
  slopes: (CovarianceLine & { dfError: number; own: number[] }) | undefined;
}

/** A reading with the value of the covariate it goes with. */
export interface WithCovariate {
  covariate: number;
  value: number;
}

const line = (ss: number, df: number, error: { ms: number; df: number }): CovarianceLine => {
  const f = ss / df / error.ms;
  return { ss, df, ms: ss / df, f, p: Math.max(fisherF(df, error.df).upper(f), Number.MIN_VALUE) };
};

/** Sums of squares and products about the means. */
function products(readings: readonly WithCovariate[]): { x: number; y: number; xx: number; xy: number; yy: number } {
  const x = moments(readings.map((r) => r.covariate));
  const y = moments(readings.map((r) => r.value));
  return {
    x: x.mean,
    y: y.mean,
    xx: x.sumOfSquares,
    xy: sum(x.deviations.map((d, i) => d * there(y.deviations[i], 'a deviation'))),
    yy: y.sumOfSquares,
  };
}

/**
 * Analysis of covariance: several means compared at one value of a covariate, which has one slope in every group. Each
 * line of the table is what leaving it out of the model adds to the residual. Assumes independent readings, parallel
 * lines, one spread about them, and a covariate that the groups did not change. Source: Fisher (1932), Cochran (1957).
 * @param at the value the means are adjusted to; the mean of the covariate over all readings where none is given
 * @throws DomainError with fewer than two groups, too few readings, or a covariate that is the same within every group
 */
export function analysisOfCovariance(
  groups: readonly (readonly WithCovariate[])[],
  level: number,
  at?: number,
): AnalysisOfCovariance {
  const k = groups.length;
  const n = sum(groups.map((g) => g.length));
  demand(k >= 2 && groups.every((g) => g.length > 0), 'At least two groups with readings are needed.');
  demand(
    n > k + 1,
    'There are too few readings: one more than the groups is needed to judge a slope, and one for spread.',
  );
  const own = groups.map(products);
  const whole = products(groups.flat());
  const within = { xx: sum(own.map((g) => g.xx)), xy: sum(own.map((g) => g.xy)), yy: sum(own.map((g) => g.yy)) };
  demand(whole.xx > 0, 'The covariate has the same value throughout, so nothing can be adjusted for it.');
  demand(
    within.xx > 1e-20 * whole.xx,
    'Within every group the covariate has one value, so it cannot be told from the group.',
  );
  const df = n - k - 1;
  const slope = within.xy / within.xx;
  const ss = within.yy - slope * within.xy;
  demand(
    ss > 1e-22 * whole.yy && ss > 0,
    'The readings lie exactly on parallel lines: there is no spread to judge by.',
  );
  const residual = { ss, df, ms: ss / df };
  const xs = own.map((g) => g.x);
  const to = at ?? whole.x;
  const effect = (weights: readonly number[], of: number): TTest => {
    const first = there(own[0], 'a group').y;
    const estimate = sum(own.map((g, i) => nth(weights, i) * (g.y - first - slope * (g.x - to))));
    const spread = sum(groups.map((g, i) => nth(weights, i) ** 2 / g.length));
    const moved = sum(xs.map((x, i) => nth(weights, i) * (x - to)));
    return tTest(estimate, Math.sqrt(residual.ms * (spread + moved ** 2 / within.xx)), df, of);
  };
  const reach = studentT(df).upperQuantile((1 - level) / 2);
  return {
    group: line(whole.yy - whole.xy ** 2 / whole.xx - ss, k - 1, residual),
    covariate: line(slope * within.xy, 1, residual),
    residual,
    total: { ss: whole.yy, df: n - 1 },
    slope: tTest(slope, Math.sqrt(residual.ms / within.xx), df, level),
    at: to,
    adjusted: own.map((g, i) => {
      const mean = g.y - slope * (g.x - to);
      const se = Math.sqrt(residual.ms * (1 / there(groups[i], 'a group').length + (g.x - to) ** 2 / within.xx));
      return { mean, se, interval: { low: mean - reach * se, high: mean + reach * se } };
    }),
    effect,
    slopes: slopesApart(own, within, residual, n),
  };
}

/** Whether lines with slopes of their own fit better than parallel ones. */
function slopesApart(
  own: readonly ReturnType<typeof products>[],
  within: { xx: number; xy: number },
  residual: { ss: number },
  n: number,
): AnalysisOfCovariance['slopes'] {
  const k = own.length;
  const df = n - 2 * k;
  if (df < 1 || own.some((g) => g.xx <= 1e-20 * within.xx)) return undefined;
  const apart = sum(own.map((g) => g.xy ** 2 / g.xx)) - within.xy ** 2 / within.xx;
  const left = residual.ss - apart;
  if (left <= 0) return undefined;
  return { ...line(apart, k - 1, { ms: left / df, df }), dfError: df, own: own.map((g) => g.xy / g.xx) };
}
