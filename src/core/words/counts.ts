/** Sentences about proportions, tables of counts and spread. */
import type { Independence } from '../procedures/independence';
import type { Interval } from '../procedures/interval';
import type { GoodnessOfFit } from '../procedures/goodness-of-fit';
import type { McNemar } from '../procedures/mcnemar';
import type { OneProportion, Share } from '../procedures/one-proportion';
import type { SpreadOfOne } from '../procedures/spread-of-one';
import type { SpreadOfTwo } from '../procedures/spread-of-two';
import type { TwoProportions } from '../procedures/two-proportions';
import { between, decimalsFor, fixed, percent, significant } from './numbers';
import { type Sentences, chiPhrase, fPhrase, pPhrase, valued, verdict } from './sentences';
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
