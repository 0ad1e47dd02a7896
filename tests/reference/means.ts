/** How a reference case's given figures reach the core, and the core's answer comes back under the case's names. */
import { normal } from '../../src/core/distributions/normal';
import { studentT } from '../../src/core/distributions/t';
import { describe, meanInterval } from '../../src/core/procedures/describe';
import { oneSampleT } from '../../src/core/procedures/one-sample-t';
import { oneSampleZ } from '../../src/core/procedures/one-sample-z';
import { pairedT } from '../../src/core/procedures/paired-t';
import { pooledT } from '../../src/core/procedures/pooled-t';
import { fromSd, summarize } from '../../src/core/procedures/sample-summary';
import { standardizedDifference } from '../../src/core/procedures/standardized-difference';
import type { TTest } from '../../src/core/procedures/t-test';
import { welchT } from '../../src/core/procedures/welch-t';
import { type Given, number, values } from './given';

type Summary = { mean: number; sd: number; n: number };

function tFigures(test: TTest): Record<string, number> {
  return {
    t: test.t,
    df: test.df,
    se: test.se,
    critical_t: test.criticalT,
    ci_low: test.interval.low,
    ci_high: test.interval.high,
    p_two_sided: test.p.either,
    p_greater: test.p.greater,
    p_less: test.p.less,
  };
}

const twoGroups = (given: Given) => ({ a: summarize(values(given, 'a')), b: summarize(values(given, 'b')) });
const twoSummaries = (given: Given) => {
  const [a, b] = [given['a'] as Summary, given['b'] as Summary];
  return { a: fromSd(a.mean, a.sd, a.n), b: fromSd(b.mean, b.sd, b.n) };
};

function welch({ a, b }: ReturnType<typeof twoGroups>, given: Given): Record<string, number> {
  const test = welchT(a, b, number(given, 'level'), (given['null_difference'] as number | undefined) ?? 0);
  return { ...tFigures(test), difference: test.estimate };
}

function pooled({ a, b }: ReturnType<typeof twoGroups>, given: Given): Record<string, number> {
  const level = number(given, 'level');
  const test = pooledT(a, b, level, (given['null_difference'] as number | undefined) ?? 0);
  const size = standardizedDifference(a, b, level);
  return {
    ...tFigures(test),
    difference: test.estimate,
    cohen_d: size.cohenD,
    hedges_g: size.hedgesG,
    eta_squared: test.t ** 2 / (test.t ** 2 + test.df),
  };
}

function oneSample(sample: ReturnType<typeof summarize>, given: Given): Record<string, number> {
  const test = oneSampleT(sample, number(given, 'null_mean'), number(given, 'level'));
  return { ...tFigures(test), mean: test.estimate, cohen_d: test.cohenD };
}

/** Distributions, description and tests of means. */
export const means: Record<string, (given: Given) => unknown> = {
  'normal.upper_tail': (given) => ({ p: normal.upper(number(given, 'z')) }),
  'normal.quantile': (given) => ({ z: normal.quantile(number(given, 'p')) }),
  't.upper_tail': (given) => ({ p: studentT(number(given, 'df')).upper(number(given, 't')) }),
  't.quantile': (given) => ({ t: studentT(number(given, 'df')).quantile(number(given, 'p')) }),
  describe: (given) => {
    const d = describe(values(given, 'values'));
    const intervals = [0.8, 0.9, 0.95, 0.99].flatMap((level) => {
      const { low, high } = meanInterval(d, level);
      return [
        [`ci${level}_low`, low],
        [`ci${level}_high`, high],
      ];
    });
    return {
      ...d,
      ...(Object.fromEntries(intervals) as Record<string, number>),
      population_sd: d.populationSd,
      population_variance: d.populationVariance,
      q1_linear: d.q1,
      q3_linear: d.q3,
      skewness_g1: d.populationSkewness,
      kurtosis_excess_g2: d.populationExcessKurtosis,
    };
  },
  'mean.one_sample_t': (given) => oneSample(summarize(values(given, 'values')), given),
  'mean.one_sample_t_from_summary': (given) =>
    oneSample(fromSd(number(given, 'mean'), number(given, 'sd'), number(given, 'n')), given),
  'mean.one_sample_z_from_summary': (given) => {
    const [mean, n, sd] = [number(given, 'mean'), number(given, 'n'), number(given, 'known_sd')];
    const test = oneSampleZ(mean, n, sd, number(given, 'null_mean'), number(given, 'level'));
    return {
      z: test.z,
      se: test.se,
      ci_low: test.interval.low,
      ci_high: test.interval.high,
      p_two_sided: test.p.either,
      p_greater: test.p.greater,
      p_less: test.p.less,
    };
  },
  'means.paired_t': (given) => {
    const test = pairedT(values(given, 'a'), values(given, 'b'), number(given, 'level'));
    return {
      ...tFigures(test),
      mean_difference: test.estimate,
      sd_difference: test.sdDifference,
      cohen_dz: test.cohenDz,
    };
  },
  'means.welch_t': (given) => welch(twoGroups(given), given),
  'means.welch_t_from_summary': (given) => welch(twoSummaries(given), given),
  'means.pooled_t': (given) => pooled(twoGroups(given), given),
  'means.pooled_t_from_summary': (given) => pooled(twoSummaries(given), given),
};
