/** Sentences about proportions, tables of counts, ranks, spread and shuffles. */
import type { Independence } from '../procedures/independence';
import type { Interval } from '../procedures/interval';
import type { GoodnessOfFit } from '../procedures/goodness-of-fit';
import type { McNemar } from '../procedures/mcnemar';
import type { MannWhitney } from '../procedures/mann-whitney';
import type { OneProportion, Share } from '../procedures/one-proportion';
import type { Friedman } from '../procedures/friedman';
import type { KruskalWallis } from '../procedures/kruskal-wallis';
import type { ShuffleTest } from '../procedures/shuffle-means';
import type { SpreadOfOne } from '../procedures/spread-of-one';
import type { SpreadOfTwo } from '../procedures/spread-of-two';
import type { TwoProportions } from '../procedures/two-proportions';
import type { WilcoxonSignedRank } from '../procedures/wilcoxon-signed-rank';
import { between, decimalsFor, fixed, percent, significant } from './numbers';
import { type Sentences, chiPhrase, fPhrase, listed, pPhrase, valued, verdict } from './sentences';
import { symbol, text } from './text';

const share = ({ successes, n }: Share): string => `${successes} of ${n} (${fixed((100 * successes) / n, 1)} %)`;
const points = (x: number): string => `${fixed(100 * x, 1)} percentage points`;
const percents = ({ low, high }: Interval): string => `${between({ low: 100 * low, high: 100 * high }, 1)} %`;

/** One proportion against a value. */
export function oneProportionSentences(
  outcome: string,
  level: number,
  counted: Share,
  found: OneProportion,
  value: number,
  wilson: Interval,
): Sentences {
  const against = percent(value);
  return {
    methods: text`The proportion ${outcome} was compared with ${against} by a large-sample z-test, and is given with Wilson’s ${percent(level)} interval.`,
    results: text`${share(counted)} were ${outcome} (${percent(level)} CI ${percents(wilson)}), against ${against}: ${symbol('z')} = ${fixed(found.z, 2)}, ${pPhrase(found.p.either)}.`,
    plain: text`${verdict(found.p.either, level, `A share of ${against} is not compatible with these counts`, `These counts do not rule out a share of ${against}`)}.`,
  };
}

/** Two independent proportions. */
export function twoProportionsSentences(
  outcome: string,
  level: number,
  names: readonly [string, string],
  shares: readonly [Share, Share],
  found: TwoProportions & { newcombe: Interval },
): Sentences {
  const way = found.difference > 0 ? 'more' : 'less';
  return {
    methods: text`Proportions ${outcome} in ${names[0]} and ${names[1]} were compared by Fisher’s exact test; their difference (${names[0]} minus ${names[1]}) is given with Newcombe’s ${percent(level)} interval.`,
    results: text`${share(shares[0])} in ${names[0]} and ${share(shares[1])} in ${names[1]} were ${outcome}: difference ${points(found.difference)}, ${percent(level)} CI ${between({ low: 100 * found.newcombe.low, high: 100 * found.newcombe.high }, 1)}; Fisher’s exact ${pPhrase(found.fisher.either)}.`,
    plain: text`${verdict(found.fisher.either, level, `${names[0]} was ${outcome} ${way} often than ${names[1]}`, `These counts do not show that ${names[0]} and ${names[1]} differ in how often they were ${outcome}`)}.`,
  };
}

/** Whether two classifications go together. */
export function independenceSentences(
  names: readonly [string, string],
  level: number,
  found: Independence,
  cramersV: number,
): Sentences {
  const all = found.expected.flat();
  const under = all.filter((e) => e < 5).length;
  const smallest = Math.min(...all);
  const small =
    under > 0 ? ` ${under} of ${all.length} expected counts were under 5 (smallest ${fixed(smallest, 1)}).` : '';
  return {
    methods: text`Whether ${names[1]} depended on ${names[0]} was judged by a chi-square test of independence.`,
    results: text`${chiPhrase(found.chi2, found.df)}, ${pPhrase(found.p)}, Cramér’s ${symbol('V')} = ${fixed(cramersV, 2)}.${small}`,
    plain: text`${verdict(found.p, level, `${names[1]} and ${names[0]} go together`, `These counts do not show that ${names[1]} depends on ${names[0]}`)}.`,
  };
}

/** Whether counts follow stated proportions. */
export const goodnessOfFitSentences = (
  of: string,
  ratio: readonly number[],
  level: number,
  found: GoodnessOfFit,
): Sentences => ({
  methods: text`Counts of ${of} were compared with the proportions ${ratio.join(':')} by a chi-square test of fit.`,
  results: text`${chiPhrase(found.chi2, found.df)}, ${pPhrase(found.p)}.`,
  plain: text`${verdict(found.p, level, 'The counts do not follow these proportions', 'The counts are compatible with these proportions, which does not prove them')}.`,
});

/** Paired proportions: who changed, and which way. */
export const mcnemarSentences = (
  before: string,
  after: string,
  outcome: string,
  [b, c]: readonly [number, number],
  level: number,
  found: McNemar,
): Sentences => ({
  methods: text`How often the same subjects were ${outcome} ${before} and ${after} was compared by McNemar’s exact test.`,
  results: text`${b} changed from ${outcome} to not, ${c} the other way: exact ${pPhrase(found.exactP)} (mid-${pPhrase(found.midP)}).`,
  plain: text`${verdict(found.exactP, level, `More changed one way than the other`, `These pairs do not show that more changed one way than the other`)}.`,
});

/** Two groups by ranks. */
export const mannWhitneySentences = (
  measure: string,
  names: readonly [string, string],
  level: number,
  found: MannWhitney,
  shift?: { estimate: number; interval: Interval; unit: string },
): Sentences => ({
  methods: text`${measure} in ${names[0]} and ${names[1]} was compared by the Mann–Whitney test (${found.method === 'exact' ? 'exact' : 'large-sample, corrected for ties'})${shift ? `; the shift (${names[0]} minus ${names[1]}) is Hodges and Lehmann’s` : ''}.`,
  results: text`${symbol('U')} = ${fixed(found.u, Number.isInteger(found.u) ? 0 : 1)}, ${pPhrase(found.p.either)}; a reading of ${names[0]} exceeded one of ${names[1]} in ${fixed(100 * found.superiority, 0)} % of pairs${shift ? `; shift ${valued(`${fixed(shift.estimate, 2)} (${percent(level)} CI ${between(shift.interval, 2)})`, shift.unit)}` : ''}.`,
  plain: text`${verdict(found.p.either, level, `Readings tend to be ${found.superiority > 0.5 ? 'larger' : 'smaller'} in ${names[0]}`, `These readings do not show that either group tends to have the larger ones`)}.`,
});

/** Several groups by ranks. */
export const kruskalWallisSentences = (
  measure: string,
  names: readonly string[],
  level: number,
  found: KruskalWallis,
): Sentences => ({
  methods: text`${measure} was compared among ${listed(names)} by the Kruskal–Wallis test, corrected for ties.`,
  results: text`${symbol('H')}(${found.df}) = ${fixed(found.h, 2)}, ${pPhrase(found.p)}.`,
  plain: text`${verdict(found.p, level, 'Readings tend to be larger in some groups than in others', 'These readings do not show that any group tends to have larger ones')}.`,
});

/** Two spreads. */
export const spreadSentences = (
  measure: string,
  names: readonly [string, string],
  level: number,
  found: SpreadOfTwo,
): Sentences => ({
  methods: text`Variances of ${measure} in ${names[0]} and ${names[1]} were compared by an F test, which rests on normal readings.`,
  results: text`The variance in ${names[0]} was ${fixed(found.f, 2)} times that in ${names[1]} (${percent(level)} CI ${between(found.ratioInterval, 2)}); ${fPhrase(found.f, found.df1, found.df2)}, ${pPhrase(found.p.either)}.`,
  plain: text`${verdict(found.p.either, level, `${measure} varies ${found.f > 1 ? 'more' : 'less'} in ${names[0]} than in ${names[1]}`, 'These readings do not show that one varies more than the other')}.`,
});

/** A randomization test, with what makes it the same for everyone. */
export const shuffleSentences = (statistic: string, level: number, found: ShuffleTest, seed: number): Sentences => ({
  methods: text`The ${statistic} was referred to its randomization distribution (${found.method === 'exact' ? `all ${found.arrangements} arrangements counted` : `${found.arrangements} random arrangements, seed ${seed}`}).`,
  results: text`Randomization test: ${pPhrase(found.p.either)}.`,
  plain: text`${verdict(found.p.either, level, `Had the labels meant nothing, a ${statistic} this large would have been rare`, `A ${statistic} this large comes about readily when the labels mean nothing`)}.`,
});

/** Pairs by the ranks of their differences. */
export const signedRankSentences = (
  measure: string,
  names: readonly [string, string],
  level: number,
  found: WilcoxonSignedRank,
  shift?: { estimate: number; interval: Interval; unit: string },
): Sentences => ({
  methods: text`${measure} in ${names[0]} and ${names[1]}, measured in pairs, was compared by Wilcoxon’s signed-rank test (${found.method === 'exact' ? 'exact' : 'large-sample, corrected for ties'})${shift ? `; the centre of the differences (${names[0]} minus ${names[1]}) is Hodges and Lehmann’s` : ''}.${found.zeros > 0 ? ` ${found.zeros === 1 ? 'One difference of 0 was' : `${found.zeros} differences of 0 were`} left out, as the test requires.` : ''}`,
  results: text`${symbol('W')}+ = ${fixed(found.wPlus, Number.isInteger(found.wPlus) ? 0 : 1)} (${found.n} differences), ${pPhrase(found.p.either)}${shift ? `; centre ${valued(`${fixed(shift.estimate, 2)} (${percent(level)} CI ${between(shift.interval, 2)})`, shift.unit)}` : ''}.`,
  plain: text`${verdict(found.p.either, level, `Within pairs, ${names[0]} tends to be ${found.wPlus * 4 > found.n * (found.n + 1) ? 'larger' : 'smaller'} than ${names[1]}`, `These pairs do not show that either tends to be the larger`)}.`,
});

/** The same subjects under several conditions, by ranks. */
export const friedmanSentences = (
  measure: string,
  subject: string,
  conditions: number,
  level: number,
  found: Friedman,
): Sentences => ({
  methods: text`${measure} of the same ${subject || 'subject'} under ${conditions} conditions was compared by Friedman’s test, on ranks within each ${subject || 'subject'}, corrected for ties.`,
  results: text`${chiPhrase(found.chi2, found.df)}, ${pPhrase(found.p)}, Kendall’s ${symbol('W')} = ${fixed(found.kendallW, 2)}.`,
  plain: text`${verdict(found.p, level, `Within the same ${subject || 'subject'}, some conditions tend to give larger readings than others`, 'These readings do not show that any condition tends to give larger ones')}.`,
});

/** One spread against a stated one. */
export const oneSpreadSentences = (
  measure: string,
  unit: string,
  level: number,
  figures: { sd: number; n: number; stated: number },
  found: SpreadOfOne,
): Sentences => {
  const stated = valued(String(figures.stated), unit);
  return {
    methods: text`The standard deviation of ${measure} was compared with a stated ${stated} by a chi-square test, which rests on normal readings.`,
    results: text`SD ${valued(significant(figures.sd, 3), unit)} (${symbol('n')} = ${figures.n}, ${percent(level)} CI ${valued(between(found.sdInterval, decimalsFor(found.sdInterval.high - found.sdInterval.low)), unit)}), against ${stated}: ${chiPhrase(found.chi2, found.df)}, ${pPhrase(found.p.either)}.`,
    plain: text`${verdict(found.p.either, level, `${measure} varies ${figures.sd > figures.stated ? 'more' : 'less'} than stated`, `These readings do not rule out a standard deviation of ${stated}`)}.`,
  };
};
