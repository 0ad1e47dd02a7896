/** Whether several groups share one spread. */
import { chiSquare } from '../distributions/chi-square';
import { demand } from '../numeric/domain-error';
import { quantile, sortedUp } from '../numeric/quantile';
import { moments, sum } from '../numeric/sum';
import { type OneWayAnova, oneWayAnova } from './one-way-anova';
import type { SampleSummary } from './sample-summary';

/**
 * Analysis of variance of the distances from each group's centre: with means, Levene's test; with medians, the
 * sturdier Brown–Forsythe test. Source: Levene (1960), Brown & Forsythe (1974).
 */
export function levene(groups: readonly (readonly number[])[], centre: 'mean' | 'median'): OneWayAnova {
  demand(
    groups.every((g) => g.length > 1),
    'Every group needs at least two readings to show a spread.',
  );
  // Two readings lie equally far from their middle, so their distances have no spread of their own.
  demand(
    groups.some((g) => g.length > 2),
    'Every group has two readings, and those lie equally far from their centre: whether spreads differ cannot be known from pairs of readings.',
  );
  return oneWayAnova(
    groups.map((g) => {
      if (centre === 'mean') return Array.from(moments(g).deviations, Math.abs);
      const middle = quantile(sortedUp(g), 0.5);
      return g.map((x) => Math.abs(x - middle));
    }),
  );
}

export interface Bartlett {
  chi2: number;
  df: number;
  p: number;
}

/** Bartlett's test of equal variances; assumes normal readings, strictly. Source: Bartlett (1937). */
export function bartlett(groups: readonly SampleSummary[]): Bartlett {
  demand(groups.length >= 2, 'Comparing spreads needs at least two groups.');
  demand(
    groups.every((g) => g.variance > 0),
    'A group without spread cannot enter Bartlett’s test.',
  );
  const k = groups.length;
  const df = sum(groups.map((g) => g.n - 1));
  const pooled = sum(groups.map((g) => ((g.n - 1) * g.variance) / df));
  const raw = sum(groups.map((g) => (g.n - 1) * Math.log(pooled / g.variance)));
  const correction = 1 + (sum(groups.map((g) => 1 / (g.n - 1))) - 1 / df) / (3 * (k - 1));
  const chi2 = raw / correction;
  return { chi2, df: k - 1, p: chiSquare(k - 1).upper(chi2) };
}
