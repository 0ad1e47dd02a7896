/** What an answer about two groups says: headline, methods, results, legend. */
import type { Answer, Comparison, GroupPart, StandardizedEffect } from '../answer/answer';
import type { Outcome } from '../numeric/domain-error';
import { methodName } from '../question/method';
import { withUnit } from '../readings/table';
import { between, decimalsOf, degreesOfFreedom, fixed, intervalDecimals, pRelation, percent, plural } from './numbers';
import { type Text, symbol, text } from './text';

const unitAfter = (unit: string): string => (unit ? ` ${unit}` : '');
const sentenceCase = (raw: string): string => raw.charAt(0).toUpperCase() + raw.slice(1);
const measureOf = (answer: Answer): string => answer.measure || 'the reading';
/** The measure without an article, to follow "mean". */
const bareMeasure = (answer: Answer): string => answer.measure || 'reading';

/** "Red lamp minus White lamp": the order of subtraction, spelled out. */
export const subtraction = ([a, b]: Answer['groups']): string => `${a.name} minus ${b.name}`;

/** The question as one sentence of plain text. */
export function questionSentence(answer: Answer): string {
  const { question, groups, subject } = answer;
  const [a, b] = groups;
  const measure = withUnit(measureOf(answer), answer.unit);
  if (question.design === 'paired') {
    const each = `each ${subject || 'subject'} is measured in both`;
    return question.direction === 'either'
      ? `Does ${measure} differ between ${a.name} and ${b.name}, when ${each}?`
      : `Is ${measure} ${question.direction} in ${a.name} than in ${b.name}, when ${each}?`;
  }
  const asked =
    question.direction === 'either'
      ? `Does ${measure} differ between ${a.name} and ${b.name}`
      : `Is ${measure} ${question.direction} in ${a.name} than in ${b.name}`;
  return `${asked}, when each ${subject || 'reading'} counts once?`;
}

/** "_t_(31.2) = 3.61, _p_ < 0.001". */
const testPhrase = ({ test, p }: Comparison): Text =>
  text`${symbol('t')}(${degreesOfFreedom(test.df)}) = ${fixed(test.t, 2)}, ${symbol('p')} ${pRelation(p)}`;

/** The difference first, with unit and interval; then the test. */
export interface Headline {
  /** "4.3 mm" */
  estimate: string;
  /** "95 % CI 1.9 to 6.7 mm" */
  interval: string;
  /** What the difference is of: "Red lamp minus White lamp". */
  order: string;
  /** The result in a sentence. */
  sentence: Text;
  test: Text;
}

/** The headline of an answered question. */
export function headline(answer: Answer, comparison: Comparison): Headline {
  const { test } = comparison;
  const { question, groups } = answer;
  const [a, b] = groups;
  const unit = unitAfter(answer.unit);
  const decimals = intervalDecimals(test.interval);
  const size = `${fixed(Math.abs(test.estimate), decimals)}${unit}`;
  const measure = sentenceCase(measureOf(answer));
  const way = test.estimate > 0 ? 'greater' : 'less';
  const observed =
    test.estimate === 0
      ? `${measure} had the same mean in ${a.name} and ${b.name}`
      : `Mean ${bareMeasure(answer)} was ${size} ${way} in ${a.name} than in ${b.name}`;
  const alpha = Number((1 - question.level).toPrecision(8));
  const settled = comparison.p < alpha;
  const verdict: Record<typeof question.direction, string> = {
    either: settled
      ? 'a difference of zero is not compatible with these readings'
      : 'these readings do not rule out that there is no difference, nor do they show that there is none',
    greater: settled
      ? `the readings support that it is greater in ${a.name}`
      : `the readings do not show that it is greater in ${a.name}`,
    less: settled
      ? `the readings support that it is less in ${a.name}`
      : `the readings do not show that it is less in ${a.name}`,
  };
  return {
    estimate: `${fixed(test.estimate, decimals)}${unit}`,
    interval: `${percent(question.level)} CI ${between(test.interval, decimals)}${unit}`,
    order: subtraction(groups),
    sentence: text`${observed}; at the ${percent(question.level)} level, ${verdict[question.direction]}.`,
    test: text`${methodName(question)}, ${testPhrase(comparison)}`,
  };
}

function asideClause(groups: readonly GroupPart[]): string {
  const aside = groups.flatMap((g) => g.readings.aside.map((r) => ({ group: g.name, reason: r.reason })));
  if (aside.length === 0) return '';
  const reasons = [...new Set(aside.map((r) => r.reason || 'no reason given'))].join('; ');
  const where = [...new Set(aside.map((r) => r.group))].join(' and ');
  const many = aside.length === 1 ? 'One reading' : `${aside.length} readings`;
  return ` ${many} in ${where} ${aside.length === 1 ? 'was' : 'were'} set aside before analysis (${reasons}).`;
}

/** Readings that were known only as beyond a limit, and what they were taken as. */
function limitClause(groups: readonly GroupPart[]): string {
  const limited = groups.flatMap((g) => g.readings.used.flatMap((r) => r.limited ?? []));
  if (limited.length === 0) return '';
  const as = limited.every((rule) => rule === 'half')
    ? 'half that limit'
    : limited.every((rule) => rule === 'at')
      ? 'that limit'
      : 'that limit or half of it';
  return ` ${limited.length === 1 ? 'One reading beyond a limit of measurement was' : `${limited.length} readings beyond a limit of measurement were`} taken as ${as}.`;
}

/** The sentences for the paper's methods section. */
export function methodsSentence(answer: Answer): Text {
  const { question, groups, subject } = answer;
  const [a, b] = groups;
  const paired = question.design === 'paired';
  const test = paired
    ? 'a paired t-test'
    : question.spread === 'separate'
      ? 'Welch’s two-sample t-test (variances not assumed equal; Satterthwaite degrees of freedom)'
      : 'Student’s two-sample t-test (pooled variance)';
  const each = paired
    ? `each ${subject || 'subject'} being compared with itself`
    : `each ${subject || 'reading'} contributing one ${answer.averaged ? 'value, the mean of its readings' : 'reading'}`;
  const effect = paired ? text`Cohen’s ${symbol('d')}z` : text`Hedges’ ${symbol('g')}`;
  const sided =
    question.direction === 'either'
      ? 'The test was two-sided'
      : `The test was one-sided (${a.name} ${question.direction} than ${b.name})`;
  return text`${sentenceCase(measureOf(answer))} was compared between ${a.name} and ${b.name} with ${test}, ${each}. ${sided}; differences are ${subtraction(groups)} and are given with ${percent(question.level)} confidence intervals. Standardized differences are ${effect} with noncentral-${symbol('t')} intervals.${limitClause(groups)}${asideClause(groups)}`;
}

function groupClause(group: GroupPart, unit: string): Text {
  const d = group.description;
  if (!d) return text`${group.name} (no readings)`;
  const decimals = decimalsOf(group.readings.used.map((r) => r.value)) + 1;
  const sd = d.sd === undefined ? '' : `, SD ${fixed(d.sd, decimals)}${unitAfter(unit)}`;
  return text`${group.name} (mean ${fixed(d.mean, decimals)}${unitAfter(unit)}${sd}, ${symbol('n')} = ${d.n})`;
}

/** The standardized effect by the name the field gives it. */
export const effectName = ({ kind }: StandardizedEffect): Text =>
  kind === 'g' ? text`Hedges’ ${symbol('g')}` : text`Cohen’s ${symbol('d')}z`;

/** The sentences for the paper's results section. */
export function resultsSentence(answer: Answer, comparison: Comparison): Text {
  const { test, size } = comparison;
  const unit = unitAfter(answer.unit);
  const decimals = intervalDecimals(test.interval);
  const [a, b] = answer.groups;
  const relation = test.estimate === 0 ? 'the same on average' : test.estimate > 0 ? 'greater' : 'less';
  const than = test.estimate === 0 ? 'and' : 'than';
  const effectSize = size.ok
    ? text`; ${effectName(size.value)} = ${fixed(size.value.value, 2)}, ${percent(answer.question.level)} CI ${between(size.value.interval, 2)}`
    : [];
  return text`${sentenceCase(measureOf(answer))} was ${relation} in ${groupClause(a, answer.unit)} ${than} in ${groupClause(b, answer.unit)}: difference ${fixed(test.estimate, decimals)}${unit}, ${percent(answer.question.level)} CI ${between(test.interval, decimals)}${unit}; ${testPhrase(comparison)}${effectSize}.`;
}

/** What error bars show. */
export type BarKind = 'sd' | 'sem' | 'interval';

/** Error bars in words, as a legend names them. */
export const barWords = (bars: BarKind, level: number): string =>
  ({
    sd: 'standard deviations',
    sem: 'standard errors of the mean',
    interval: `${percent(level)} confidence intervals`,
  })[bars];

/** The figure's legend: what marks and bars are, n of each group, and the test. */
export function figureLegend(
  answer: Answer,
  figure: { marks: 'columns' | 'points'; bars: BarKind; readings: boolean },
): Text {
  const { groups, comparison, question } = answer;
  const sizes = groups.flatMap((g, i): Text => [
    ...(i ? [', '] : []),
    ...text`${g.name} ${symbol('n')} = ${g.readings.used.length}`,
  ]);
  const means = figure.marks === 'columns' ? 'Columns are means' : 'Large symbols are means';
  const points = figure.readings ? `; small symbols are single ${plural(answer.subject)}` : '';
  const result = comparison.ok
    ? text` ${subtraction(groups)}: ${headline(answer, comparison.value).estimate}, ${headline(answer, comparison.value).interval}; ${methodName(question)}, ${testPhrase(comparison.value)}.`
    : [];
  return text`${sentenceCase(withUnit(measureOf(answer), answer.unit))} by group. ${means}, error bars ${barWords(figure.bars, question.level)} from each group’s own readings${points}. ${sizes}.${result}${asideClause(groups)}`;
}

/** n and the difference with its interval in one line, or why there is none. */
export function shortAnswer(found: Outcome<Answer>): string {
  if (!found.ok) return found.reason;
  const { groups, comparison } = found.value;
  const n = groups.map((g) => g.readings.used.length).join(' + ');
  if (!comparison.ok) return `n ${n}: ${comparison.reason}`;
  const { estimate, interval } = headline(found.value, comparison.value);
  return `n ${n}: ${estimate}, ${interval}`;
}
