/** What questions with several groups share in words: the overall test, then what follows it. */
import type { Choices } from '../question/options';
import type { Answer } from '../answer/answer';
import type { Comparison, FollowUpPart } from '../answer/comparison';
import { choicesOf, tellsRatios } from '../question/choices';
import { placing } from './ordered';
import { followNames } from './follow-names';
import { allEqual, allOf, type Hypotheses } from './hypothesis';
import { bareMeasure, groupClause, measureOf, takenClause, withCentre } from './measured';
import { atAlpha, percent, plural, significant } from './numbers';
import { sizesClause, testPhrase } from './phrases';
import { listed, sentenceCase, unitAfter } from './sentences';
import { significantClause } from './significant-clause';
import { type Text, joined, text } from './text';
import { centreWord, meanLetter, onLogarithms, ratiosClause } from './two';
import { toldSignificant } from './verdict';

const nouns = {
  all: { noun: 'pair', from: '', alone: 'the pair compared' },
  control: { noun: 'group', from: ' from the control', alone: 'the other group' },
  steps: { noun: 'step', from: ' from zero', alone: 'the step' },
  chosen: { noun: 'pair', from: '', alone: 'the pair compared' },
  trend: { noun: 'trend', from: ' from zero', alone: 'the linear trend' },
  contrasts: { noun: 'contrast', from: ' from zero', alone: 'the contrast' },
};

/** The headline of an overall test and what follows it. @param among "groups" or "conditions" */
export function severalHeadline(answer: Answer, comparison: Comparison, among: string): Text {
  const { question, groups } = answer;
  const { compare, method } = choicesOf(question);
  const settled = comparison.significant;
  const what =
    method === 'ranks' ? sentenceCase(bareMeasure(answer)) : withCentre(centreWord(question), bareMeasure(answer));
  const overall = settled
    ? `${what} differed among the ${groups.length} ${among}`
    : `These readings do not show that ${what.charAt(0).toLowerCase()}${what.slice(1)} differs among the ${groups.length} ${among}, nor that it is the same`;
  if (!comparison.follow?.ok) return text`${overall}.`;
  const { significant: told, all } = toldSignificant(comparison);
  const { noun: kind, from, alone } = nouns[compare];
  // "groups", "conditions": those compared with a control go by the same name.
  const noun = compare === 'control' ? among.replace(/s$/, '') : kind;
  if (all === 1 && compare !== 'all')
    return text`${overall}; ${atAlpha(question.level)}, ${alone} ${told === 1 ? 'differs' : 'is not shown to differ'}${from}.`;
  const many = told === 0 ? 'no' : told === all && all > 1 ? allOf(all) : `${told} of ${all}`;
  // "No pair differs", "1 of 3 pairs differs", "2 of 3 pairs differ".
  return text`${overall}; ${atAlpha(question.level)}, ${many} ${told === 0 ? noun : plural(noun)} ${told <= 1 ? 'differs' : 'differ'}${from}.`;
}

export const severalHypotheses = (answer: Answer): Hypotheses => {
  const ranks = choicesOf(answer.question).method === 'ranks';
  const what = ranks
    ? `the typical ${bareMeasure(answer)}`
    : withCentre(centreWord(answer.question), bareMeasure(answer));
  return allEqual(
    ranks ? '\\theta' : meanLetter(answer.question),
    answer.groups.map((g) => g.name),
    `${sentenceCase(what)} is the same in ${allOf(answer.groups.length)}.`,
    'At least one differs from another.',
  );
};

export const severalMethods = (answer: Answer, test: string, each: string, follow: string): Text =>
  text`${sentenceCase(measureOf(answer))} was compared among ${listed(answer.groups.map((g) => g.name))} by ${test}${onLogarithms(answer.question)}, ${each}.${follow}${ratiosClause(answer.question)}${takenClause(answer)}`;

const followUpOf = ({ comparison }: Answer): readonly FollowUpPart[] | undefined =>
  comparison.ok && comparison.value.follow?.ok ? comparison.value.follow.value : undefined;

/** How the intervals of what follows hold. */
const intervalsOf = (parts: readonly FollowUpPart[], level: number): string =>
  parts.some((p) => p.simultaneous)
    ? `simultaneous ${percent(level)} confidence intervals`
    : `${percent(level)} confidence intervals that each stand on their own`;

/** Where the groups were placed for a trend over them, and what was tested. */
function trendClause({ question, groups }: Answer, judged: string): string {
  const names = groups.map((g) => g.name);
  return ` A linear trend over the groups, ${placing(question, names)}, was tested as a contrast of their means${judged}; it is given as the change from the lowest place to the highest, with its ${percent(question.level)} confidence interval.`;
}

/** How comparisons of groups, or of conditions, were judged. @param group what is compared: "group", "condition" */
export function comparedClause(answer: Answer, group: string, control: () => string): string {
  const { compare, method } = choicesOf(answer.question);
  if (method !== 'ranks' && compare === 'control') return controlClause(answer, control(), group);
  const of = group === 'group' ? '' : ` of ${plural(group)}`;
  const which: Record<Choices['compare'], string> = {
    all: `All pairs${of}`,
    control: `Each ${group} and the control${compare === 'control' ? ` (${control()})` : ''}`,
    steps: `Each ${group} and the one before it`,
    chosen: `Chosen pairs${of}`,
    trend: 'The linear trend',
    contrasts: `Contrasts${of}`,
  };
  const { direction } = answer.question;
  const sided = compare === 'control' && direction !== 'either' ? `, one-sided (${direction}),` : '';
  return followClause(answer, `${which[compare]}${sided}`);
}

/** How the comparisons that follow were judged. @param of which they are: "All pairs of conditions" */
export function followClause(answer: Answer, of: string): string {
  const { question } = answer;
  const parts = followUpOf(answer);
  if (!parts) return '';
  const { follow, method, compare } = choicesOf(question);
  const name = followNames[follow];
  if (compare === 'trend') return trendClause(answer, follow === 'scheffe' ? ', judged by the Scheffé method' : '');
  if (method === 'ranks') return ` ${of} were compared by mean ranks (${name}).`;
  const family = parts[0]?.family;
  const together =
    follow === 'unadjusted' || family === undefined || family < 2 ? '' : `, the ${family} comparisons being one family`;
  const how = follow === 'unadjusted' ? 'without adjustment for their number' : `by the ${name} method`;
  const each = parts.length > 1 && follow === 'tukey' ? ' within each level' : '';
  return ` ${of} were compared ${how}${together}${each}, with ${intervalsOf(parts, question.level)}.`;
}

/** How the comparisons with a control were judged. */
function controlClause(answer: Answer, control: string, each = 'group'): string {
  const parts = followUpOf(answer);
  if (!parts) return '';
  const { direction, level } = answer.question;
  const { follow } = choicesOf(answer.question);
  const how = follow === 'unadjusted' ? 'without adjustment for their number' : `by the ${followNames[follow]} method`;
  const sided = direction === 'either' ? '' : `, one-sided (${direction})`;
  return ` Each ${each} was compared with the control (${control}) ${how}${sided}, with ${parts.some((p) => p.simultaneous) ? 'simultaneous ' : ''}${percent(level)} confidence intervals.`;
}

/** The results of an overall test and what follows it. @param more what else is told of the test, and at the end */
export function severalResults(
  answer: Answer,
  comparison: Comparison,
  among: string,
  more: { used?: string; test?: string; last?: Text; verb?: string } = {},
): Text {
  const { question, groups, unit } = answer;
  const { level } = question;
  const ranks = choicesOf(question).method === 'ranks';
  const verb = more.verb ?? `${comparison.significant ? 'differed' : 'was not shown to differ'} among`;
  const [first] = comparison.tests;
  const pooled =
    comparison.pooledSd === undefined || tellsRatios(question)
      ? ''
      : `; pooled SD ${significant(comparison.pooledSd, 3)}${unitAfter(unit)}`;
  const follow = comparison.follow?.ok ? significantClause(answer, comparison.follow.value, unit) : [];
  return text`${sentenceCase(measureOf(answer))} ${verb} the ${groups.length} ${among}${more.used ?? ''}: ${first ? testPhrase(first) : []}${sizesClause(comparison, level)}${pooled}${more.test ?? ''}. ${joined(
    groups.map((g) => groupClause(g, unit, ranks ? 'ranks' : 'mean')),
    '; ',
  )}.${follow}${more.last ?? []}`;
}
