import { friedman } from '../../src/core/procedures/friedman';
import { kruskalWallis } from '../../src/core/procedures/kruskal-wallis';
import { mannWhitney } from '../../src/core/procedures/mann-whitney';
import { shapiroWilk } from '../../src/core/procedures/shapiro-wilk';
import { shufflePairedExact, shuffleTwoMeansExact } from '../../src/core/procedures/shuffle-means';
import { wilcoxonSignedRank } from '../../src/core/procedures/wilcoxon-signed-rank';
import { oneWayAnovaPower, pairedTPower, twoGroupsTPower } from '../../src/core/procedures/power';
import { type Given, groups, number, values } from './given';

/** The cases call the normal approximation asymptotic. */
const method = (given: Given): 'exact' | 'normal' => (given['method'] === 'exact' ? 'exact' : 'normal');
const tails = (p: { either: number; greater: number; less: number }) => ({
  p_two_sided: p.either,
  p_greater: p.greater,
  p_less: p.less,
});

/** Ranks, randomization, normality and planning. */
export const ranksAndShuffles: Record<string, (given: Given) => unknown> = {
  'ranks.mann_whitney': (given) => {
    const test = mannWhitney(values(given, 'a'), values(given, 'b'), method(given), given['continuity'] !== false);
    return { u_a: test.u, ...tails(test.p) };
  },
  'ranks.wilcoxon_signed_rank': (given) => {
    const test = wilcoxonSignedRank(values(given, 'differences'), method(given), given['continuity'] !== false);
    return { w_plus: test.wPlus, ...tails(test.p) };
  },
  'ranks.kruskal_wallis': (given) =>
    kruskalWallis(
      groups(given).map(([, g]) => g),
      'chi-square',
    ),
  'ranks.kruskal_wallis_exact': (given) => kruskalWallis(given['groups'] as number[][]),
  'ranks.friedman': (given) => friedman(given['rows'] as number[][], 'chi-square'),
  'ranks.friedman_exact': (given) => friedman(given['rows'] as number[][]),
  'check.shapiro_wilk': (given) => shapiroWilk(values(given, 'values')),
  'shuffle.two_groups_mean_exact': (given) => {
    const test = shuffleTwoMeansExact(values(given, 'a'), values(given, 'b'));
    return { observed: test.observed, arrangements: test.arrangements, ...tails(test.p) };
  },
  'shuffle.paired_mean_exact': (given) => {
    const test = shufflePairedExact(values(given, 'differences'));
    return { arrangements: test.arrangements, ...tails(test.p) };
  },
  'plan.two_groups_t_power': (given) => {
    const n = number(given, 'n_per_group');
    return { power: twoGroupsTPower(number(given, 'effect_d'), n, n, number(given, 'alpha')) };
  },
  'plan.paired_t_power': (given) => ({
    power: pairedTPower(number(given, 'effect_dz'), number(given, 'n_pairs'), number(given, 'alpha')),
  }),
  'plan.one_way_anova_power': (given) => ({
    power: oneWayAnovaPower(
      number(given, 'effect_f'),
      number(given, 'groups'),
      number(given, 'n_per_group'),
      number(given, 'alpha'),
    ),
  }),
};
