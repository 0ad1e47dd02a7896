import { nth } from '../../numeric/nth';
import type { Answer } from '../../answer/answer';
import type { GroupPart } from '../../answer/group-part';
import { there } from '../../numeric/there';
import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import { withUnit } from '../../readings/table';
import {
  bareMeasure,
  eachCounts,
  groupPart,
  isAlone,
  measurePart,
  nameAt,
  ofGroup,
  takenClause,
  withCentre,
} from '../../words/measured';
import { fixed, meanDecimals, percent } from '../../words/numbers';
import { contribution, effectPhrases } from '../../words/phrases';
import { asked, part } from '../../words/segments';
import { unitAfter, valued } from '../../words/sentences';
import { type Text, symbol, text } from '../../words/text';
import { theEffect } from '../../words/two';
import type { Words } from '../words';

const centreOf = (question: Question): 'mean' | 'median' =>
  choicesOf(question).method === 'ranks' ? 'median' : 'mean';

/** "Mean blade length of Red lamp". */
const whatOf = (answer: Answer): string => ofGroup(withCentre(centreOf(answer.question), bareMeasure(answer)), answer);

/** What is told of the spread beside an estimate, and n. */
function spreadTold(group: GroupPart, { question, unit }: Answer): Text {
  const { description: d, summary } = group;
  const decimals = meanDecimals(group);
  const spread =
    centreOf(question) === 'median'
      ? d && `quartiles ${fixed(d.q1, decimals)} to ${fixed(d.q3, decimals)}${unitAfter(unit)}`
      : summary && `SD ${fixed(Math.sqrt(summary.variance), decimals)}${unitAfter(unit)}`;
  return text`${spread ? `${spread}, ` : ''}${symbol('n')} = ${group.n}`;
}

/** How the interval is made, as the methods section writes it. */
function intervalWords({ question, unit }: Answer): string {
  const { method } = choicesOf(question);
  if (method === 'ranks') return 'between order statistics';
  return method === 'z'
    ? `from the normal distribution (known SD ${valued(String(question.knownSd), unit)})`
    : 'from Student’s t distribution';
}

/** One group alone: how large it is, and no claim about it. */
export const words: Words = {
  sentence: (named) => {
    const measure = { ...measurePart(named), said: withUnit(bareMeasure(named), named.unit) };
    return asked`What is the ${centreOf(named.question)} of ${measure}${isAlone(named) ? '' : asked` in ${groupPart('a', named)}`}, ${part('compares', 'with its interval,')} ${eachCounts(named, 'reading')}`;
  },
  short: (named) => `${centreOf(named.question)} of ${nameAt(named, 0)}`,
  methodName: (question) =>
    ({
      means: 'Mean with a t interval',
      z: 'Mean with a z interval, the SD known',
      ranks: 'Median with an interval between order statistics',
    })[choicesOf(question).method as 'means'],
  methodReason: (question) =>
    ({
      means: 'An estimate tests no claim: the mean is told with the interval that its own spread allows.',
      z: 'You gave the SD of the whole population, so the normal distribution takes the place of t.',
      ranks:
        'The interval lies between two of the readings, counted in from either end: no shape is taken for granted.',
    })[choicesOf(question).method as 'means'],
  methodElse: (question) =>
    choicesOf(question).method === 'ranks'
      ? 'The mean, if that is what you want to know.'
      : 'The median, if readings are lopsided.',
  headline: (answer, comparison) => {
    const { estimate, interval } = effectPhrases(theEffect(comparison), answer.unit, answer.question.level);
    return text`${whatOf(answer)} was ${estimate} (${interval}; ${symbol('n')} = ${nth(answer.groups, 0).n}).`;
  },
  methods: (answer) =>
    text`${whatOf(answer)} was estimated with a ${percent(answer.question.level)} confidence interval ${intervalWords(answer)}, ${contribution(answer)}.${takenClause(answer)}`,
  results: (answer, comparison) => {
    const { question, unit, groups } = answer;
    const { estimate, interval } = effectPhrases(theEffect(comparison), unit, question.level);
    return text`${whatOf(answer)} was ${estimate} (${interval}; ${spreadTold(there(groups[0], 'The group'), answer)}).`;
  },
};
