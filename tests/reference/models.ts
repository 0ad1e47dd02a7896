import { analysisOfCovariance } from '../../src/core/procedures/analysis-of-covariance';
import { censoredNormal } from '../../src/core/procedures/censored-normal';
import { contrast } from '../../src/core/procedures/contrast';
import { friedman } from '../../src/core/procedures/friedman';
import { logarithms, ratioInterval } from '../../src/core/procedures/geometric';
import { kruskalWallis } from '../../src/core/procedures/kruskal-wallis';
import { pairedT } from '../../src/core/procedures/paired-t';
import { type RandomIntercept, randomIntercept } from '../../src/core/procedures/random-intercept';
import { summarize } from '../../src/core/procedures/sample-summary';
import type { TTest } from '../../src/core/procedures/t-test';
import { welchT } from '../../src/core/procedures/welch-t';
import { type Given, number, values } from './given';

const names = (given: Given, key: string): string[] => given[key] as string[];
const levels = (all: readonly string[]): string[] =>
  [...new Set(all)].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));

/** The weights of one level less another. */
const less = (k: number, a: number, b: number): number[] =>
  Array.from({ length: k }, (_, i) => Number(i === a) - Number(i === b));

function withSamples(given: Given, by: string, of: string): { fit: RandomIntercept; k: number } {
  const [group, sample] = [names(given, by), names(given, of)];
  const [groups, samples] = [levels(group), levels(sample)];
  const columns = groups.map((one) => group.map((g) => Number(g === one)));
  const at = sample.map((s) => samples.indexOf(s));
  return { fit: randomIntercept(values(given, 'values'), columns, at), k: groups.length };
}

const variances = ({ within, between, icc }: RandomIntercept) => ({
  variance_within: within,
  variance_between: between,
  icc,
});

const allOf = ({ test }: RandomIntercept, k: number) =>
  test(Array.from({ length: k - 1 }, (_, i) => less(k, 0, i + 1)));

const ratio = (test: TTest) => ({
  ratio: Math.exp(test.estimate),
  ...ratioInterval(test.interval),
  t: test.t,
  df: test.df,
  p: test.p.either,
});

const limited = (given: Given, key: string) =>
  names(given, key).map((text) => ({ value: Number(text.replace('<', '')), below: text.startsWith('<') }));

/** Samples within samples, covariates, ratios, limits, trends. */
export const models: Record<string, (given: Given) => unknown> = {
  'mixed.nested': (given) => {
    const { fit, k } = withSamples(given, 'treatment', 'sample');
    const test = fit.effect(less(k, 0, 1), number(given, 'level'));
    return {
      ...allOf(fit, k),
      F: allOf(fit, k).f,
      ...variances(fit),
      difference_1_2: test.estimate,
      se_1_2: test.se,
      df_1_2: test.df,
      t_1_2: test.t,
      low_1_2: test.interval.low,
      high_1_2: test.interval.high,
    };
  },
  'mixed.repeated': (given) => {
    const { fit, k } = withSamples(given, 'condition', 'subject');
    const test = fit.effect(less(k, 0, k - 1), number(given, 'level'));
    return {
      ...allOf(fit, k),
      F: allOf(fit, k).f,
      ...variances(fit),
      difference_first_last: test.estimate,
      se_first_last: test.se,
      df_first_last: test.df,
    };
  },
  'means.ancova': (given) => {
    const [group, covariate, y] = [names(given, 'group'), values(given, 'covariate'), values(given, 'values')];
    const all = levels(group);
    const level = number(given, 'level');
    const found = analysisOfCovariance(
      all.map((g) =>
        group.flatMap((own, i) => (own === g ? [{ covariate: covariate[i] ?? NaN, value: y[i] ?? NaN }] : [])),
      ),
      level,
    );
    const pair = found.effect(less(all.length, 0, 1), level);
    return {
      F_group: found.group.f,
      p_group: found.group.p,
      F_covariate: found.covariate.f,
      p_covariate: found.covariate.p,
      df_error: found.residual.df,
      ms_error: found.residual.ms,
      slope: found.slope.estimate,
      se_slope: found.slope.se,
      ...Object.fromEntries(
        found.adjusted.flatMap(({ mean, se }, i) => [
          [`adjusted_mean_${i + 1}`, mean],
          [`se_adjusted_mean_${i + 1}`, se],
        ]),
      ),
      difference_1_2: pair.estimate,
      se_1_2: pair.se,
      low_1_2: pair.interval.low,
      high_1_2: pair.interval.high,
      p_1_2: pair.p.either,
      F_slopes: found.slopes?.f,
      p_slopes: found.slopes?.p,
    };
  },
  'ratio.welch': (given) => {
    const [a, b] = [logarithms(values(given, 'a')), logarithms(values(given, 'b'))].map((v) => summarize(v));
    if (!a || !b) return {};
    return {
      ...ratio(welchT(a, b, number(given, 'level'))),
      geometric_mean_a: Math.exp(a.mean),
      geometric_sd_a: Math.exp(Math.sqrt(a.variance)),
    };
  },
  'ratio.paired': (given) =>
    ratio(pairedT(logarithms(values(given, 'a')), logarithms(values(given, 'b')), number(given, 'level'))),
  'ranks.kruskal_wallis_exact': (given) => kruskalWallis(given['groups'] as number[][]),
  'ranks.friedman_exact': (given) => friedman(given['rows'] as number[][]),
  'limit.two_groups_likelihood': (given) => {
    const found = censoredNormal([limited(given, 'a'), limited(given, 'b')]);
    const { estimate } = found.difference(0, 1, 0.95);
    return { ...found, mean_a: found.means[0], mean_b: found.means[1], difference: estimate };
  },
  'trend.linear_contrast': (given) => {
    const doses = values(given, 'doses');
    const mean = doses.reduce((s, d) => s + d, 0) / doses.length;
    const test = contrast(
      (given['groups'] as number[][]).map((g) => summarize(g)),
      doses.map((d) => d - mean),
      0.95,
    );
    return { contrast: test.estimate, se: test.se, t: test.t, df: test.df, p: test.p.either };
  },
};
