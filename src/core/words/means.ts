/** Sentences about one mean, equivalence, and several groups. Names and units are the study's own. */
import type { Equivalence } from '../procedures/equivalence';
import type { Interval } from '../procedures/interval';
import type { OneSampleT } from '../procedures/one-sample-t';
import type { OneWayAnova } from '../procedures/one-way-anova';
import type { RepeatedMeasures } from '../procedures/repeated-measures';
import type { RangePair } from '../procedures/tukey-kramer';
import type { TwoWayAnova } from '../procedures/two-way-anova';
import type { WelchAnova } from '../procedures/welch-anova';
import type { WithinBetween } from '../procedures/within-between';
import { fixed, intervalDecimals, percent, significant } from './numbers';
import { type Sentences, ciPhrase, fPhrase, listed, pPhrase, tPhrase, valued, verdict } from './sentences';
import { type Text, text } from './text';

/** What sentences need to know of the study. */
export interface Subject {
  measure: string;
  unit: string;
  level: number;
}

const upper = (raw: string): string => raw.charAt(0).toUpperCase() + raw.slice(1);

/** One mean against a fixed value. */
export function oneMeanSentences(
  { measure, unit, level }: Subject,
  test: OneSampleT,
  n: number,
  value: number,
): Sentences {
  const decimals = intervalDecimals(test.interval);
  const mean = valued(fixed(test.estimate, decimals), unit);
  const against = valued(String(value), unit);
  const way = test.estimate > value ? 'above' : 'below';
  return {
    methods: text`Mean ${measure} was compared with ${against} by a two-sided one-sample t-test; the mean is given with its ${percent(level)} confidence interval.`,
    results: text`Mean ${measure} was ${mean} (n = ${n}, ${ciPhrase(level, test.interval, unit)}), against ${against}: ${tPhrase(test.t, test.df)}, ${pPhrase(test.p.either)}.`,
    plain: text`${upper(measure)} was ${mean} on average; ${verdict(test.p.either, level, `${against} is not compatible with these readings: the mean lies ${way} it`, `these readings do not rule out ${against}`)}.`,
  };
}

/** Whether two groups are alike within bounds. */
export function equivalenceSentences(
  { measure, unit, level }: Subject,
  names: readonly [string, string],
  found: Equivalence,
  bounds: Interval,
): Sentences {
  const within = `${valued(String(bounds.low), '')} to ${valued(String(bounds.high), unit)}`;
  const inner = percent(2 * level - 1);
  return {
    methods: text`Equivalence of ${measure} in ${names[0]} and ${names[1]} was judged by two one-sided tests against bounds of ${within}.`,
    results: text`The difference (${names[0]} minus ${names[1]}) had a ${inner} confidence interval of ${valued(`${fixed(found.interval.low, intervalDecimals(found.interval))} to ${fixed(found.interval.high, intervalDecimals(found.interval))}`, unit)}; equivalence within ${within}: ${pPhrase(found.p)}.`,
    plain: text`${verdict(found.p, level, `The two differ by no more than the bounds allow`, `These readings do not show that the two are alike within the bounds; that is no proof that they differ`)}.`,
  };
}

/** Whether several groups differ at all. */
export function oneWaySentences(
  { measure, unit, level }: Subject,
  names: readonly string[],
  found: OneWayAnova | WelchAnova,
): Sentences {
  const welch = 'df2' in found;
  const [df1, df2] = welch ? [found.df1, found.df2] : [found.between.df, found.within.df];
  const size = welch
    ? ''
    : `; η² = ${fixed(found.etaSquared, 2)}, ω² = ${fixed(found.omegaSquared, 2)}, pooled SD ${valued(significant(found.pooledSd, 3), unit)}`;
  const kind = welch ? 'Welch’s analysis of variance (variances not assumed equal)' : 'one-way analysis of variance';
  return {
    methods: text`${upper(measure)} was compared among ${listed(names)} by ${kind}.`,
    results: text`${upper(measure)} ${verdict(found.p, level, 'differed', 'was not shown to differ')} among the ${names.length} groups, ${fPhrase(found.f, df1, df2)}, ${pPhrase(found.p)}${size}.`,
    plain: text`${verdict(found.p, level, 'At least one group’s mean differs from another’s; which ones is told by the comparisons of pairs', 'These readings do not show that any of the groups differ, nor that they are the same')}.`,
  };
}

/** Which pairs differ, by simultaneous intervals. */
export function pairsSentences(
  { unit, level }: Subject,
  names: readonly string[],
  pairs: readonly RangePair[],
  method: 'Tukey–Kramer' | 'Games–Howell',
): Sentences {
  const of = (pair: RangePair): string => `${names[pair.a] ?? ''} minus ${names[pair.b] ?? ''}`;
  const apart = pairs.filter((pair) => pair.p < 1 - level);
  const each = apart.flatMap((pair, i): Text => [
    ...(i ? ['; '] : []),
    ...text`${of(pair)} ${valued(fixed(pair.difference, intervalDecimals(pair.interval)), unit)}, ${ciPhrase(level, pair.interval, unit)}, adjusted ${pPhrase(pair.p)}`,
  ]);
  return {
    methods: text`All pairs of groups were compared by the ${method} method, with simultaneous ${percent(level)} confidence intervals and adjusted p-values.`,
    results:
      apart.length > 0
        ? text`Pairs that differed: ${each}.`
        : text`No pair of groups was shown to differ (${method}, all adjusted p ≥ ${fixed(Math.min(...pairs.map((x) => x.p)), 2)}).`,
    plain: text`${apart.length === 0 ? 'No two groups could be told apart' : apart.length === pairs.length ? 'Every group differs from every other' : `Of ${pairs.length} pairs, ${apart.length} could be told apart`}.`,
  };
}

/** Two factors, with what the interaction means for reading the main effects. */
export function twoWaySentences(
  { measure, level }: Subject,
  factors: readonly [string, string],
  found: TwoWayAnova,
): Sentences {
  const df = found.residual.df;
  const effect = (name: string, e: TwoWayAnova['a']): Text =>
    text`${name} ${fPhrase(e.f, e.df, df)}, ${pPhrase(e.p)}, partial η² = ${fixed(e.partialEtaSquared, 2)}`;
  const { interaction } = found;
  const interacts = interaction !== undefined && interaction.p < 1 - level;
  const type = { 1: 'I', 2: 'II', 3: 'III' }[found.type];
  const empty =
    found.emptyCells.length > 0
      ? ` ${found.emptyCells.length === 1 ? 'One combination was' : `${found.emptyCells.length} combinations were`} without readings.`
      : '';
  return {
    methods: text`${upper(measure)} was analysed by two-way analysis of variance with ${factors[0]} and ${factors[1]}${interaction ? ' and their interaction' : ' (one reading a cell, so no interaction could be judged)'}${found.balanced ? '' : `; sums of squares were of type ${type}, because the cells were of unequal size`}.${empty}`,
    results: text`${effect(factors[0], found.a)}; ${effect(factors[1], found.b)}${interaction ? text`; interaction ${fPhrase(interaction.f, interaction.df, df)}, ${pPhrase(interaction.p)}, partial η² = ${fixed(interaction.partialEtaSquared, 2)}` : []}.`,
    plain: text`${
      interacts
        ? `What ${factors[0]} does to ${measure} depends on ${factors[1]}: read the two together, within each ${factors[1]}, not as averages over it`
        : `${interaction ? `These readings do not show that the two act upon each other. ` : ''}${upper(factors[0])} ${verdict(found.a.p, level, 'makes a difference', 'was not shown to make a difference')}; ${factors[1]} ${verdict(found.b.p, level, 'does', 'was not shown to')}`
    }.`,
  };
}

/** The same subjects under several conditions, by whichever correction is reported. */
export function repeatedSentences(
  { measure, level }: Subject,
  subject: string,
  conditions: number,
  found: RepeatedMeasures,
): Sentences {
  const { epsilon, p } = found.greenhouseGeisser;
  const sphere = found.mauchly
    ? text` Sphericity: Mauchly’s ${{ symbol: 'W' }} = ${fixed(found.mauchly.w, 2)}, ${pPhrase(found.mauchly.p)}.`
    : [];
  return {
    methods: text`${upper(measure)} of the same ${subject || 'subject'} under ${conditions} conditions was analysed by repeated-measures analysis of variance, degrees of freedom corrected by Greenhouse and Geisser’s ε.`,
    results: text`${fPhrase(found.f, found.condition.df * epsilon, found.error.df * epsilon)}, ${pPhrase(p)}, ε = ${fixed(epsilon, 2)}, partial η² = ${fixed(found.partialEtaSquared, 2)}.${sphere}`,
    plain: text`${upper(measure)} ${verdict(p, level, 'changed', 'was not shown to change')} from condition to condition within the same ${subject || 'subject'}.`,
  };
}

/** Groups of subjects, each subject under every condition. */
export function withinBetweenSentences(
  { measure, level }: Subject,
  names: { group: string; condition: string; subject: string },
  found: WithinBetween,
): Sentences {
  const { epsilon, conditionP, interactionP } = found.greenhouseGeisser;
  const { group, subjects, condition, interaction, error } = found;
  const each = names.subject || 'subject';
  const within = (f: number, df: number, p: number, eta: number): Text =>
    text`${fPhrase(f, df * epsilon, error.df * epsilon)}, ${pPhrase(p)}, partial η² = ${fixed(eta, 2)}`;
  return {
    methods: text`${upper(measure)} was analysed by two-way analysis of variance with ${names.group} between and ${names.condition} within each ${each}; degrees of freedom within were corrected by Greenhouse and Geisser’s ε.`,
    results: text`${names.group} ${fPhrase(group.f, group.df, subjects.df)}, ${pPhrase(group.p)}, partial η² = ${fixed(group.partialEtaSquared, 2)}; ${names.condition} ${within(condition.f, condition.df, conditionP, condition.partialEtaSquared)}; interaction ${within(interaction.f, interaction.df, interactionP, interaction.partialEtaSquared)}; ε = ${fixed(epsilon, 2)}.`,
    plain: text`${verdict(interactionP, level, `How ${measure} changes with ${names.condition} depends on ${names.group}: read the two together`, `These readings do not show that the change with ${names.condition} depends on ${names.group}`)}.`,
  };
}
