import { nth } from '../numeric/nth';
import { fisherF } from '../distributions/f';
import { demand } from '../numeric/domain-error';
import { moments, sum } from '../numeric/sum';
import { type SampleSummary, distances } from './sample-summary';

/** A line of a source table. */
export interface Source {
  ss: number;
  df: number;
  /** Mean square ss/df. */
  ms: number;
}

export interface OneWayAnova {
  between: Source;
  within: Source;
  total: Omit<Source, 'ms'>;
  f: number;
  p: number;
  /** √MS within: the standard deviation the groups share. */
  pooledSd: number;
  etaSquared: number;
  /** ω², less biased than η² (Hays, 1963); 0 where the formula falls below. */
  omegaSquared: number;
}

const enough = (n: number, groups: number): void => {
  demand(groups >= 2, 'An analysis of variance needs at least two groups.');
  demand(n > groups, 'Every group has one reading: there is no spread within groups to judge by.');
};

function table(ssBetween: number, ssWithin: number, ssTotal: number, groups: number, n: number): OneWayAnova {
  const df1 = groups - 1;
  const df2 = n - groups;
  demand(
    ssWithin > 1e-26 * ssTotal,
    'Within every group all readings are the same, so there is no spread to judge differences by.',
  );
  const between = { ss: ssBetween, df: df1, ms: ssBetween / df1 };
  const within = { ss: ssWithin, df: df2, ms: ssWithin / df2 };
  const f = between.ms / within.ms;
  return {
    between,
    within,
    total: { ss: ssTotal, df: n - 1 },
    f,
    p: Math.max(fisherF(df1, df2).upper(f), Number.MIN_VALUE),
    pooledSd: Math.sqrt(within.ms),
    etaSquared: ssBetween / ssTotal,
    omegaSquared: Math.max(0, (ssBetween - df1 * within.ms) / (ssTotal + within.ms)),
  };
}

/**
 * One-way analysis of variance from readings: whether several means differ, F = MS between / MS within.
 * Assumes independent readings, one spread, means near enough normal. Source: Fisher (1925).
 * @throws DomainError with fewer than two groups, an empty group, or no spread within groups
 */
export function oneWayAnova(groups: readonly (readonly number[])[]): OneWayAnova {
  enough(sum(groups.map((g) => g.length)), groups.length);
  demand(
    groups.every((g) => g.length > 0),
    'A group without readings cannot be compared: leave it out.',
  );
  const all = groups.flat();
  const whole = moments(all);
  // Deviations from the grand mean carry all digits; each group's share of them is its distance from that mean.
  let at = 0;
  const parts = groups.map((g) => {
    const d = whole.deviations.subarray(at, (at += g.length));
    const mean = sum(d) / g.length;
    return { between: g.length * mean * mean, within: sum(d.map((x) => (x - mean) ** 2)) };
  });
  const ssBetween = sum(parts.map((p) => p.between));
  const ssWithin = sum(parts.map((p) => p.within));
  return table(ssBetween, ssWithin, whole.sumOfSquares, groups.length, all.length);
}

/** The same from each group's n, mean and variance. */
export function oneWayAnovaFromSummaries(groups: readonly SampleSummary[]): OneWayAnova {
  const n = sum(groups.map((g) => g.n));
  enough(n, groups.length);
  const means = distances(groups);
  const grand = sum(groups.map((g, i) => (g.n * nth(means, i)) / n));
  const ssBetween = sum(groups.map((g, i) => g.n * (nth(means, i) - grand) ** 2));
  const ssWithin = sum(groups.map((g) => (g.n - 1) * g.variance));
  return table(ssBetween, ssWithin, ssBetween + ssWithin, groups.length, n);
}
