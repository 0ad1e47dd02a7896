/** What tests of a trend over ordered groups share in words. */
import { there } from '../numeric/there';
import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import { attempt } from '../numeric/domain-error';
import { passes } from '../procedures/interval';
import { placesNamed, placesOf } from '../question/placed';
import type { Question } from '../question/question';
import type { Hypotheses } from './hypothesis';
import { parameterOf } from './hypothesis';
import { atAlpha, given } from './numbers';
import { listed } from './sentences';
import { type Text, text } from './text';

/** What the trend did, before "the groups": "rose over". */
export const trendVerb = ({ question }: Answer, { p, trend = 0 }: Comparison): string =>
  passes(p, question.level) ? (trend > 0 ? 'rose over' : 'fell over') : 'was not shown to rise or fall over';

/** "placed at 0, 5 and 10", "taken as equally spaced". */
export function placing(question: Pick<Question, 'spacing'>, names: readonly string[]): string {
  const placed = attempt(() => placesOf(question, names));
  return placed.ok && question.spacing !== 'equal' && placesNamed(names)
    ? `placed at ${listed(placed.value.map(given))}`
    : 'taken as equally spaced';
}

export const placedClause = (question: Pick<Question, 'spacing'>, names: readonly string[]): string =>
  `The groups were ${placing(question, names)}.`;

/** @param what rises or falls: "Blade length", "The share of settled plates"; @param same what no trend would be: "the same share" */
export const orderedHeadline = (what: string, same: string, answer: Answer, comparison: Comparison): Text =>
  comparison.significant
    ? text`${what} ${there(comparison.trend, 'The trend') > 0 ? 'rose' : 'fell'} over the ${answer.groups.length} groups in their order; ${atAlpha(answer.question.level)}, ${same} in every group is not compatible with these readings.`
    : text`These readings do not show that ${what.charAt(0).toLowerCase()}${what.slice(1)} rises or falls over the ${answer.groups.length} groups in their order, nor that it does not.`;

/** @param letter of what may rise or fall; @param what the same in words */
export function orderedHypotheses(letter: string, what: string, { groups }: Answer): Hypotheses {
  const all = groups.slice(0, 6).map((g) => parameterOf(letter, g.name));
  const more = groups.length > 6 ? ' \\le \\cdots' : '';
  return {
    none: {
      tex: `H_0\\colon ${all.join(' = ')}${groups.length > 6 ? ' = \\cdots' : ''}`,
      words: `${what} is the same in every group.`,
    },
    some: {
      tex: `H_1\\colon ${all.join(' \\le ')}${more} \\text{ or the reverse, not all equal}`,
      words: 'It rises over the groups in their order, or falls.',
    },
  };
}
