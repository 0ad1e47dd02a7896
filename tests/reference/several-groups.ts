import { chiSquare } from '../../src/core/distributions/chi-square';
import { fisherF } from '../../src/core/distributions/f';
import { studentizedRangeUpper, studentizedRangeUpperQuantile } from '../../src/core/distributions/studentized-range';
import { adjustP } from '../../src/core/procedures/adjust-p';
import { contrast } from '../../src/core/procedures/contrast';
import { dunnettTest } from '../../src/core/procedures/dunnett-test';
import { bartlett, levene } from '../../src/core/procedures/equal-spread';
import { oneWayAnova } from '../../src/core/procedures/one-way-anova';
import { type Pair, pooledPairs } from '../../src/core/procedures/pairwise';
import { repeatedMeasures } from '../../src/core/procedures/repeated-measures';
import { summarize } from '../../src/core/procedures/sample-summary';
import { spreadOfOne } from '../../src/core/procedures/spread-of-one';
import { spreadOfTwo } from '../../src/core/procedures/spread-of-two';
import { symmetricTails } from '../../src/core/procedures/direction';
import { studentT } from '../../src/core/distributions/t';
import { gamesHowell, tukeyKramer } from '../../src/core/procedures/tukey-kramer';
import { type FactorEffect, type SumsOfSquares, twoWayAnova } from '../../src/core/procedures/two-way-anova';
import { welchAnova } from '../../src/core/procedures/welch-anova';
import { type Given, groups, number, values } from './given';

const summaries = (given: Given) => groups(given).map(([, g]) => summarize(g));
const named = <P extends Pair>(given: Given, pairs: P[]) => {
  const names = groups(given).map(([name]) => name);
  return pairs.map((pair) => ({ ...pair, pair: [names[pair.a], names[pair.b]] }));
};
const intervals = <P extends { interval: { low: number; high: number } }>(pair: P) => ({
  ...pair,
  ci_low: pair.interval.low,
  ci_high: pair.interval.high,
});

/** Distributions, spread, analysis of variance and its follow-up. */
export const severalGroups: Record<string, (given: Given) => unknown> = {
  'f.upper_tail': (given) => ({ p: fisherF(number(given, 'df1'), number(given, 'df2')).upper(number(given, 'f')) }),
  'f.quantile': (given) => ({ f: fisherF(number(given, 'df1'), number(given, 'df2')).quantile(number(given, 'p')) }),
  'chi2.upper_tail': (given) => ({ p: chiSquare(number(given, 'df')).upper(number(given, 'x')) }),
  'chi2.quantile': (given) => ({ x: chiSquare(number(given, 'df')).quantile(number(given, 'p')) }),
  'studentized_range.upper_tail': (given) => ({
    p: studentizedRangeUpper(number(given, 'q'), number(given, 'groups'), number(given, 'df')),
  }),
  'studentized_range.quantile': (given) => ({
    q: studentizedRangeUpperQuantile(1 - number(given, 'p'), number(given, 'groups'), number(given, 'df')),
  }),
  'spread.f_test': (given) => {
    const test = spreadOfTwo(summarize(values(given, 'a')), summarize(values(given, 'b')), number(given, 'level'));
    return {
      ...test,
      p_two_sided: test.p.either,
      p_greater: test.p.greater,
      p_less: test.p.less,
      ratio_ci_low: test.ratioInterval.low,
      ratio_ci_high: test.ratioInterval.high,
    };
  },
  'spread.one_sample_variance_from_summary': (given) => {
    const test = spreadOfOne(number(given, 'sd'), number(given, 'n'), number(given, 'null_sd'), number(given, 'level'));
    return {
      ...test,
      p_two_sided: test.p.either,
      p_greater: test.p.greater,
      p_less: test.p.less,
      sd_ci_low: test.sdInterval.low,
      sd_ci_high: test.sdInterval.high,
    };
  },
  'spread.levene': (given) => {
    const all = groups(given).map(([, g]) => g);
    const [mean, median, b] = [levene(all, 'mean'), levene(all, 'median'), bartlett(summaries(given))];
    return {
      f_mean: mean.f,
      p_mean: mean.p,
      f_median: median.f,
      p_median: median.p,
      bartlett: b.chi2,
      bartlett_p: b.p,
    };
  },
  'anova.one_way': (given) => {
    const table = oneWayAnova(groups(given).map(([, g]) => g));
    return {
      ss_between: table.between.ss,
      ss_within: table.within.ss,
      ss_total: table.total.ss,
      df_between: table.between.df,
      df_within: table.within.df,
      df_total: table.total.df,
      ms_between: table.between.ms,
      ms_within: table.within.ms,
      f: table.f,
      p: table.p,
      eta_squared: table.etaSquared,
      omega_squared: table.omegaSquared,
      residual_sd: table.pooledSd,
    };
  },
  'anova.one_way_certified': (given) => ({
    f: oneWayAnova(Object.values(given['groups_as_text'] as Record<string, string[]>).map((g) => g.map(Number))).f,
  }),
  'anova.welch_one_way': (given) => welchAnova(summaries(given)),
  'posthoc.tukey_kramer': (given) => {
    const { criticalQ, pairs } = tukeyKramer(summaries(given), number(given, 'level'));
    return {
      critical_q: criticalQ,
      pairs: named(given, pairs).map((p) => ({
        ...intervals(p),
        minimum_significant_difference: p.smallestSignificant,
      })),
    };
  },
  'posthoc.games_howell': (given) => ({
    pairs: named(given, gamesHowell(summaries(given), (given['level'] as number | undefined) ?? 0.95)).map(intervals),
  }),
  'posthoc.dunnett': (given) => {
    const control = groups(given).findIndex(([name]) => name === given['control']);
    return { pairs: named(given, dunnettTest(summaries(given), control, 0.95).pairs).map(intervals) };
  },
  'posthoc.adjusted_p': (given) => {
    const names = groups(given).map(([name]) => name);
    const order = (given['order'] as [string, string][]).map(([a, b]): [number, number] => [
      names.indexOf(a),
      names.indexOf(b),
    ]);
    const pairs = pooledPairs(summaries(given), order);
    const p = pairs.map((pair) => symmetricTails(studentT(pair.df), pair.t).either);
    return {
      unadjusted: adjustP(p, 'unadjusted'),
      bonferroni: adjustP(p, 'bonferroni'),
      holm: adjustP(p, 'holm'),
      sidak: adjustP(p, 'sidak'),
      benjamini_hochberg: adjustP(p, 'benjamini-hochberg'),
      scheffe: order.map(([a, b]) => {
        const weights = names.map((_, i) => (i === a ? 1 : i === b ? -1 : 0));
        return contrast(summaries(given), weights, 0.95).scheffe.p;
      }),
    };
  },
  'anova.two_way': (given) => {
    const columns = given['columns'] as string[];
    const readings = (given['rows'] as (string | number)[][]).map((row) => ({
      a: String(row[columns.indexOf('a')]),
      b: String(row[columns.indexOf('b')]),
      value: Number(row[columns.indexOf('y')]),
    }));
    const line = (effect: FactorEffect | undefined) =>
      effect && { ss: effect.ss, df: effect.df, f: effect.f, p: effect.p };
    return Object.fromEntries(
      ([1, 2, 3] as SumsOfSquares[]).map((type) => {
        const table = twoWayAnova(readings, type);
        return [
          `type${type}`,
          { a: line(table.a), b: line(table.b), interaction: line(table.interaction), residual: table.residual },
        ];
      }),
    );
  },
  'anova.repeated_measures': (given) => {
    const table = repeatedMeasures(given['rows'] as number[][]);
    return {
      ss_condition: table.condition.ss,
      ss_subject: table.subject.ss,
      ss_error: table.error.ss,
      df_condition: table.condition.df,
      df_error: table.error.df,
      f: table.f,
      p: table.p,
      epsilon_gg: table.greenhouseGeisser.epsilon,
      epsilon_hf: table.huynhFeldt.epsilon,
      p_gg: table.greenhouseGeisser.p,
      p_hf: table.huynhFeldt.p,
    };
  },
};
