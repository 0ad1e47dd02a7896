/** What two independent groups and pairs share in words: a difference of two, against none or a value. */
import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import { choicesOf, noneOf, tellsRatios } from '../question/choices';
import type { Named } from '../question/naming';
import type { Hypotheses } from './hypothesis';
import { bareMeasure, does, groupPart, is, measureOf, measurePart, nameAt, withCentre } from './measured';
import { given } from './numbers';
import { isPlural } from '../readings/counted';
import { type Segment, asked, part } from './segments';
import { sentenceCase } from './sentences';
import type { Text } from './text';
import { centreWord, claimOf, headlineOf, statedEffect, theEffect, toldEffect } from './two';

/** "Does blade length differ between A and B, when each …": of two groups or of pairs. */
export function differenceSentence(named: Named, each: readonly Segment[]): Segment[] {
  const { question } = named;
  const { value } = choicesOf(question);
  const [measure, a, b] = [measurePart(named), groupPart('a', named), groupPart('b', named)];
  const way = question.direction;
  const direction = part('direction', way === 'either' ? 'differ' : way);
  const stated = statedEffect(named);
  const that = isPlural(measureOf(named)) ? 'those' : 'that';
  const less = tellsRatios(question) ? 'over' : 'less';
  if (value !== noneOf(question))
    return way === 'either'
      ? asked`${does(named)} ${measure} ${part('compares', 'in')} ${a} ${less} ${that} in ${b} ${direction} from ${stated}, ${each}`
      : asked`${is(named)} ${measure} ${part('compares', 'in')} ${a} ${less} ${that} in ${b} ${direction} than ${stated}, ${each}`;
  return way === 'either'
    ? asked`${does(named)} ${measure} ${direction} ${part('compares', 'between')} ${a} and ${b}, ${each}`
    : asked`${is(named)} ${measure} ${direction} ${part('compares', 'in')} ${a} than in ${b}, ${each}`;
}

/** @param centre what of the readings was compared: "mean", "median difference in" */
export function differenceHeadline(answer: Answer, comparison: Comparison, centre: string): Text {
  const { value, method } = choicesOf(answer.question);
  const [first, second] = [nameAt(answer, 0), nameAt(answer, 1)];
  const { size, sign } = toldEffect(theEffect(comparison), answer.unit);
  const ratio = tellsRatios(answer.question);
  const than = ratio
    ? `was ${size} that in ${second}`
    : `was ${size} ${sign > 0 ? 'greater' : 'less'} in ${first} than in ${second}`;
  const ranks = method === 'ranks';
  const observed =
    sign === 0
      ? `${sentenceCase(measureOf(answer))} ${ranks ? 'was not shifted between' : `had the same ${centre} in`} ${first} and ${second}`
      : ranks
        ? `${sentenceCase(bareMeasure(answer))} ${than} (Hodges–Lehmann shift)`
        : `${withCentre(centre, bareMeasure(answer))}${ratio ? ` in ${first}` : ''} ${than}`;
  const isNone = value === noneOf(answer.question);
  const none = ratio
    ? `a ratio of ${given(value)}`
    : isNone
      ? 'a difference of zero'
      : `a difference of ${statedEffect(answer)}`;
  return headlineOf(
    observed,
    answer,
    comparison,
    none,
    isNone ? { open: 'that there is no difference', shown: 'that there is none' } : {},
  );
}

/** @param left what is held against the value, in TeX */
export function differenceHypotheses(answer: Answer, left: string, opposite: string): Hypotheses {
  const { question } = answer;
  const { value, method } = choicesOf(question);
  const what = sentenceCase(
    method === 'ranks' ? `the typical ${bareMeasure(answer)}` : withCentre(centreWord(question), bareMeasure(answer)),
  );
  const [first, second] = [nameAt(answer, 0), nameAt(answer, 1)];
  const stated = statedEffect(answer);
  const isNone = value === noneOf(question);
  const way = question.direction;
  return {
    none: {
      tex: `H_0\\colon ${left} = ${value}`,
      words: isNone
        ? `${what} is the same in ${first} and ${second}.`
        : `${what} in ${first} ${tellsRatios(question) ? 'over' : 'less'} that in ${second} is ${stated}.`,
    },
    some: {
      tex: `H_1\\colon ${left} ${opposite} ${value}`,
      words:
        way === 'either'
          ? 'It differs, one way or the other.'
          : isNone
            ? `It is ${way} in ${first}.`
            : `It is ${way} than ${stated}.`,
    },
  };
}

/** What permuted labels or signs judge. @param tex of no effect; @param words the same in words */
export function permutedHypotheses(answer: Answer, tex: string, words: string): Hypotheses {
  const { question } = answer;
  const centre = centreWord(question);
  const way = question.direction;
  return {
    none: { tex: `H_0\\colon ${tex}`, words },
    some: {
      tex: 'H_1\\colon \\text{not } H_0',
      words:
        way === 'either'
          ? `They have: the ${centre} differs, one way or the other.`
          : choicesOf(question).value === 0
            ? `They have: the ${centre} is ${way} in ${nameAt(answer, 0)} than in ${nameAt(answer, 1)}.`
            : `They have: ${claimOf(answer)}.`,
    },
  };
}
