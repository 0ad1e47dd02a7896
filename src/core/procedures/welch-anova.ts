import { nth } from '../numeric/nth';
import { fisherF } from '../distributions/f';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import { type SampleSummary, distances } from './sample-summary';

export interface WelchAnova {
  f: number;
  df1: number;
  df2: number;
  p: number;
}

/**
 * Welch's analysis of variance: whether several means differ when spreads may differ. Groups weigh wᵢ = nᵢ/sᵢ².
 * Assumes independent readings, means near enough normal. Source: Welch (1951).
 * @throws DomainError with fewer than two groups, or a group without spread
 */
export function welchAnova(groups: readonly SampleSummary[]): WelchAnova {
  const k = groups.length;
  demand(k >= 2, 'An analysis of variance needs at least two groups.');
  demand(
    groups.every((g) => g.variance > 0),
    'A group without spread would get endless weight: Welch’s analysis needs some spread in every group.',
  );
  const weights = groups.map((g) => g.n / g.variance);
  const all = sum(weights);
  const means = distances(groups);
  const centre = sum(means.map((m, i) => (nth(weights, i) * m) / all));
  const between = sum(means.map((m, i) => nth(weights, i) * (m - centre) ** 2)) / (k - 1);
  const lambda = sum(groups.map((g, i) => (1 - nth(weights, i) / all) ** 2 / (g.n - 1)));
  const f = between / (1 + (2 * (k - 2) * lambda) / (k * k - 1));
  const df2 = (k * k - 1) / (3 * lambda);
  return { f, df1: k - 1, df2, p: Math.max(fisherF(k - 1, df2).upper(f), Number.MIN_VALUE) };
}
