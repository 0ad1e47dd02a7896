import { type TwoByTwo, fisherExact } from '../../src/core/procedures/fisher-exact';
import { goodnessOfFit } from '../../src/core/procedures/goodness-of-fit';
import { independence } from '../../src/core/procedures/independence';
import { mcnemar } from '../../src/core/procedures/mcnemar';
import { type Share, oneProportion, proportionInterval } from '../../src/core/procedures/one-proportion';
import { twoProportions } from '../../src/core/procedures/two-proportions';
import { type Given, number } from './given';

const ends = (name: string, interval: { low: number; high: number } | undefined) => ({
  [`${name}_low`]: interval?.low,
  [`${name}_high`]: interval?.high,
});
const tails = (p: { either: number; greater: number; less: number }, prefix = '') => ({
  [`${prefix}p_two_sided`]: p.either,
  [`${prefix}p_greater`]: p.greater,
  [`${prefix}p_less`]: p.less,
});

/** Proportions and tables of counts. */
export const counts: Record<string, (given: Given) => unknown> = {
  'proportion.one_sample': (given) => {
    const share = { successes: number(given, 'successes'), n: number(given, 'n') };
    const level = number(given, 'level');
    const test = oneProportion(share, number(given, 'null_proportion'));
    return {
      proportion: test.proportion,
      z: test.z,
      ...tails(test.p),
      ...tails(test.exact, 'exact_'),
      ...ends('wilson', proportionInterval(share, level, 'wilson')),
      ...ends('wald', proportionInterval(share, level, 'wald')),
      ...ends('clopper_pearson', proportionInterval(share, level, 'clopper-pearson')),
      ...ends('agresti_coull', proportionInterval(share, level, 'agresti-coull')),
    };
  },
  'proportion.two_samples': (given) => {
    const test = twoProportions(given['a'] as Share, given['b'] as Share, number(given, 'level'));
    return {
      difference: test.difference,
      z: test.z,
      ...tails(test.p),
      ...ends('wald', test.wald),
      ...ends('newcombe', test.newcombe),
      odds_ratio: test.oddsRatio.estimate,
      ...ends('odds_ratio', test.oddsRatio.interval),
      risk_ratio: test.riskRatio.estimate,
      ...ends('risk_ratio', test.riskRatio.interval),
      ...tails(test.fisher(), 'fisher_'),
    };
  },
  'counts.independence': (given) => {
    const table = given['table'] as number[][];
    const test = independence(table);
    const small = table.length === 2 && table[0]?.length === 2;
    return {
      chi2: test.chi2,
      df: test.df,
      p: test.p,
      g: test.g,
      g_p: test.gP,
      expected: test.expected,
      smallest_expected: test.smallestExpected,
      adjusted_residuals: test.adjusted,
      cramers_v: test.cramersV,
      yates_chi2: test.yates?.chi2,
      yates_p: test.yates?.p,
      ...(small ? tails(fisherExact(table as unknown as TwoByTwo), 'fisher_') : {}),
    };
  },
  'counts.goodness_of_fit': (given) => goodnessOfFit(given['observed'] as number[], given['proportions'] as number[]),
  'counts.mcnemar': (given) => {
    const test = mcnemar(given['table'] as TwoByTwo);
    return {
      chi2: test.chi2,
      chi2_p: test.score.either,
      chi2_corrected: test.chi2Corrected,
      chi2_corrected_p: test.corrected.either,
      exact_p: test.exact.either,
    };
  },
};
