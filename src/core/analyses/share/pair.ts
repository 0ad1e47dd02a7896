/** What two shares say, of two groups or of the same subjects twice. */
import type { Answer } from '../../answer/answer';
import type { Comparison } from '../../answer/comparison';
import { there } from '../../numeric/there';
import type { Named } from '../../question/naming';
import { against, type Hypotheses, parameterOf } from '../../words/hypothesis';
import { eachCounts, groupPart, nameAt, shortGroups } from '../../words/measured';
import { atAlpha } from '../../words/numbers';
import { effectPhrases, testPhrase } from '../../words/phrases';
import { type Segment, asked, part } from '../../words/segments';
import { type Text, joined, text } from '../../words/text';
import { theEffect } from '../../words/two';
import { verdictOn } from '../../words/verdict';
import { foundPart, shareClause, shareOf } from './words';

export function sentence(of: Named): Segment[] {
  const [a, b] = [groupPart('a', of), groupPart('b', of)];
  const way = of.question.direction;
  return way === 'either'
    ? asked`Does the share of ${foundPart(of)} ${part('direction', 'differ')} ${part('compares', 'between')} ${a} and ${b}, ${eachCounts(of, 'one')}`
    : asked`Is the share of ${foundPart(of)} ${part('direction', way)} ${part('compares', 'in')} ${a} than in ${b}, ${eachCounts(of, 'one')}`;
}

export const short = (of: Named): string => `${of.measure || 'those found'}: ${shortGroups(of)}`;

/** @param seen the two shares, as they are told */
export function headline(answer: Answer, comparison: Comparison, seen: string): Text {
  const { question } = answer;
  const verdict = verdictOn({
    settled: comparison.significant,
    direction: question.direction,
    seen: 'counts',
    none: 'a difference of zero',
    open: 'that there is no difference',
    shown: 'that there is none',
    claim: `it is ${question.direction} in ${nameAt(answer, 0)}`,
  });
  return text`${seen}; ${atAlpha(question.level)}, ${verdict}.`;
}

export function hypotheses(answer: Answer): Hypotheses {
  const way = answer.question.direction;
  const [first, second] = [nameAt(answer, 0), nameAt(answer, 1)];
  const [x, y] = [parameterOf('\\pi', first), parameterOf('\\pi', second)];
  return {
    none: { tex: `H_0\\colon ${x} = ${y}`, words: `${shareOf(answer)} is the same in ${first} and ${second}.` },
    some: {
      tex: `H_1\\colon ${x} ${against[way]} ${y}`,
      words: way === 'either' ? 'It differs, one way or the other.' : `It is ${way} in ${first}.`,
    },
  };
}

export const among = (answer: Answer): string => `was compared between ${nameAt(answer, 0)} and ${nameAt(answer, 1)}`;

export function results(answer: Answer, comparison: Comparison): Text {
  const effect = theEffect(comparison);
  const { estimate, interval } = effectPhrases(effect, '', answer.question.level);
  const test = there(comparison.tests[0], 'The test');
  return text`${shareOf(answer)}: ${joined(answer.groups.map(shareClause), ', ')}; ${effect.name} ${estimate}, ${interval}; ${testPhrase(test)}.`;
}
