import { nth } from '../numeric/nth';
import { mostOf } from '../numeric/extremes';
import { fisherF } from '../distributions/f';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import { type Interval, checkedLevel } from './interval';
import { withinGroups } from './pairwise';
import { type SampleSummary, distances } from './sample-summary';
import { type TTest, tTest } from './t-test';

export interface Contrast extends TTest {
  weights: readonly number[];
  /** Scheffé's p and interval, which hold for every contrast one may think of, also after looking. */
  scheffe: { p: number; interval: Interval; criticalF: number };
}

/** Σ cᵢȳᵢ, as Σ cᵢ = 0 from distances to one of the means: large means that lie close keep their digits. */
const weighted = (groups: readonly SampleSummary[], weights: readonly number[]): number =>
  sum(distances(groups).map((m, i) => nth(weights, i) * m));

/**
 * A contrast of group means, Σ cᵢȳᵢ with Σ cᵢ = 0: "the mean of the three lamps less the control".
 * Assumes what one-way ANOVA does. Source: Scheffé (1953).
 * @throws DomainError unless there is a weight for each group, they sum to 0, and are not all 0
 */
export function contrast(groups: readonly SampleSummary[], weights: readonly number[], level: number): Contrast {
  demand(weights.length === groups.length, 'A contrast needs one weight for each group.');
  const size = mostOf(weights.map(Math.abs));
  demand(size > 0, 'A contrast needs at least two weights that are not 0.');
  demand(Math.abs(sum(weights)) <= 1e-9 * size, 'The weights of a contrast must sum to 0, or it compares nothing.');
  const { variance, df } = withinGroups(groups);
  const estimate = weighted(groups, weights);
  const se = Math.sqrt(variance * sum(groups.map((g, i) => nth(weights, i) ** 2 / g.n)));
  const test = tTest(estimate, se, df, level);
  const df1 = groups.length - 1;
  const reference = fisherF(df1, df);
  const criticalF = reference.upperQuantile(1 - checkedLevel(level));
  const reach = Math.sqrt(df1 * criticalF) * se;
  return {
    ...test,
    weights,
    scheffe: {
      p: Math.max(reference.upper(test.t ** 2 / df1), Number.MIN_VALUE),
      interval: { low: estimate - reach, high: estimate + reach },
      criticalF,
    },
  };
}

/**
 * The same where spreads may differ: its own standard error √(Σ cᵢ²sᵢ²/nᵢ), and Satterthwaite's df.
 * Source: Welch (1938), Satterthwaite (1946).
 */
export function separateContrast(groups: readonly SampleSummary[], weights: readonly number[], level: number): TTest {
  demand(weights.length === groups.length, 'A contrast needs one weight for each group.');
  const size = mostOf(weights.map(Math.abs));
  demand(size > 0, 'A contrast needs at least two weights that are not 0.');
  demand(Math.abs(sum(weights)) <= 1e-9 * size, 'The weights of a contrast must sum to 0, or it compares nothing.');
  demand(
    groups.every((g, i) => g.n > 1 || weights[i] === 0),
    'One of the groups has one reading, and so no spread of its own.',
  );
  const parts = groups.map((g, i) => (nth(weights, i) ** 2 * g.variance) / g.n);
  const all = sum(parts);
  demand(all > 0, 'The groups of this contrast have no spread at all, so it cannot be judged.');
  const df = 1 / sum(parts.map((v, i) => (v === 0 ? 0 : (v / all) ** 2 / ((groups[i]?.n ?? 2) - 1))));
  const estimate = weighted(groups, weights);
  return tTest(estimate, Math.sqrt(all), df, level);
}
