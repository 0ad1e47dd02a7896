import { intervalNames } from '../../../answer/shares';
import { choicesOf } from '../../../question/choices';
import { countOf, countedClause } from '../../../words/counts';
import { eachCounts } from '../../../words/measured';
import { percent } from '../../../words/numbers';
import { effectPhrases } from '../../../words/phrases';
import { asked, part } from '../../../words/segments';
import { text } from '../../../words/text';
import { theEffect } from '../../../words/two';
import { there } from '../../../numeric/there';
import type { Words } from '../../words';
import { foundPart, inGroup, inGroupPart, legendOf, shareOf } from '../words';

/** The share found in one group, and no claim about it. */
export const words: Words = {
  sentence: (of) =>
    asked`What is the share of ${foundPart(of)}${inGroupPart(of)}, ${part('compares', 'with its interval,')} ${eachCounts(of, 'one')}`,
  short: (of) => `share of ${of.measure || 'those found'}${inGroup(of)}`,
  methodName: (question) => `Share with the ${intervalNames[choicesOf(question).shareInterval]} interval`,
  methodReason: () => 'An estimate tests no claim: the share is told with the interval that so many counted allow.',
  methodElse: () => 'Another interval of the share: they differ where few were counted.',
  headline: (answer, comparison) => {
    const { interval } = effectPhrases(theEffect(comparison), '', answer.question.level);
    return text`${shareOf(answer)}${inGroup(answer)} was ${countOf(there(answer.groups[0], 'The group counted'))}, ${interval}.`;
  },
  methods: (answer) => {
    const { question, subject } = answer;
    return text`${shareOf(answer)}${inGroup(answer)} was estimated with a ${percent(question.level)} ${intervalNames[choicesOf(question).shareInterval]} interval, each ${subject || 'subject'} counting once.${countedClause(answer)}`;
  },
  results: (answer, comparison) => {
    const { estimate, interval } = effectPhrases(theEffect(comparison), '', answer.question.level);
    return text`${shareOf(answer)}${inGroup(answer)} was ${countOf(there(answer.groups[0], 'The group counted'))}: ${estimate}, ${interval}.`;
  },
  legend: legendOf({}),
};
