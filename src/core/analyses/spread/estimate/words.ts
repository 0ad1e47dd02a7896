import { nth } from '../../../numeric/nth';
import { there } from '../../../numeric/there';
import { eachCounts, groupPart, isAlone, ofGroup, takenClause } from '../../../words/measured';
import { percent } from '../../../words/numbers';
import { contribution, effectPhrases } from '../../../words/phrases';
import { asked, part } from '../../../words/segments';
import { sentenceCase } from '../../../words/sentences';
import { symbol, text } from '../../../words/text';
import { theEffect } from '../../../words/two';
import type { Words } from '../../words';
import { alike, measured, short, what } from '../words';

/** How far the readings of one group scatter, and no claim about it. */
export const words: Words = {
  legend: there(alike.legend, 'The legend'),
  sentence: (of) =>
    asked`What is the spread (SD) of ${measured(of)}${isAlone(of) ? '' : asked` in ${groupPart('a', of)}`}, ${part('compares', 'with its interval,')} ${eachCounts(of, 'reading')}`,
  short,
  methodName: () => 'SD with a chi-square interval',
  methodReason: () =>
    'An estimate tests no claim: the SD is told with its interval, which takes the readings as normal and is not robust where they are not.',
  methodElse: () => 'None that asks as little; look at the shape of the readings first.',
  headline: (answer, comparison) => {
    const { estimate, interval } = effectPhrases(theEffect(comparison), answer.unit, answer.question.level);
    return text`${sentenceCase(ofGroup(what(answer), answer))} had an SD of ${estimate} (${interval}; ${symbol('n')} = ${nth(answer.groups, 0).n}).`;
  },
  methods: (answer) =>
    text`The standard deviation of ${ofGroup(what(answer), answer)} was estimated with a ${percent(answer.question.level)} confidence interval from the chi-square distribution, which takes the readings as normal, ${contribution(answer)}.${takenClause(answer)}`,
  results: (answer, comparison) => {
    const { estimate, interval } = effectPhrases(theEffect(comparison), answer.unit, answer.question.level);
    return text`${sentenceCase(ofGroup(what(answer), answer))} (${symbol('n')} = ${nth(answer.groups, 0).n}) had an SD of ${estimate} (${interval}).`;
  },
};
