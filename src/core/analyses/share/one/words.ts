import { countOf } from '../../../words/counts';
import { against, parameterOf } from '../../../words/hypothesis';
import { directionClause, eachCounts, nameAt, shortGroups, statedValue } from '../../../words/measured';
import { atAlpha } from '../../../words/numbers';
import { effectPhrases, testPhrase } from '../../../words/phrases';
import { asked, part } from '../../../words/segments';
import { sentenceCase } from '../../../words/sentences';
import { joined, text } from '../../../words/text';
import { theEffect } from '../../../words/two';
import { verdictOn } from '../../../words/verdict';
import { there } from '../../../numeric/there';
import type { Words } from '../../words';
import {
  type Names,
  elseOf,
  foundPart,
  inGroup,
  inGroupPart,
  isExact,
  legendOf,
  methodsOf,
  named,
  shareClause,
  shareOf,
  sharesGiven,
} from '../words';

const names: Names = {
  score: ['Large-sample test of one proportion', 'the large-sample test of one proportion'],
  exact: ['Exact binomial test', 'the exact binomial test'],
};

/** The share found in one group, against a stated one. */
export const words: Words = {
  sentence: (of) => {
    const { question } = of;
    const value = part('value', statedValue(of, '', 'a share'));
    const way = question.direction;
    const [direction, than] = way === 'either' ? ['different', 'from'] : [way, 'than'];
    return asked`Is the share of ${foundPart(of)}${inGroupPart(of)} ${part('direction', direction)} ${part('compares', than)} ${value}, ${eachCounts(of, 'one')}`;
  },
  short: (of) => `${of.measure || 'those found'}: ${shortGroups(of)} · ${statedValue(of, '')}`,
  methodName: (question) => named(names, question)[0],
  methodReason: (question) =>
    isExact(question)
      ? 'The chance of every count the stated share could give is added up as it is: right at any number, and a little cautious.'
      : 'With enough counted, a share strays from the stated one as the normal curve says; the score interval of Wilson holds well even when few were counted.',
  methodElse: elseOf,
  headline: (answer, comparison) => {
    const { question } = answer;
    const value = statedValue(answer, '');
    const group = there(answer.groups[0], 'The group counted');
    const verdict = verdictOn({
      settled: comparison.significant,
      direction: question.direction,
      seen: 'counts',
      none: value,
      shown: 'that it is the share',
      claim: `it is ${question.direction} than ${value}`,
    });
    return text`${shareOf(answer)}${inGroup(answer)} was ${countOf(group)}; ${atAlpha(question.level)}, ${verdict}.`;
  },
  hypotheses: (answer) => {
    const { direction } = answer.question;
    const value = statedValue(answer, '');
    const pi = parameterOf('\\pi', nameAt(answer, 0));
    return {
      none: {
        tex: `H_0\\colon ${pi} = ${value}`,
        words: `${sentenceCase(shareOf(answer))}${inGroup(answer)} is ${value}.`,
      },
      some: {
        tex: `H_1\\colon ${pi} ${against[direction]} ${value}`,
        words: direction === 'either' ? 'It is another.' : `It is ${direction}.`,
      },
    };
  },
  methods: (answer) =>
    methodsOf(
      answer,
      `in ${nameAt(answer, 0)} was compared with ${statedValue(answer, '')}`,
      names,
      directionClause(answer),
      `${sharesGiven(answer.question)}.`,
    ),
  results: (answer, comparison) => {
    const { question, groups } = answer;
    const { estimate, interval } = effectPhrases(theEffect(comparison), '', question.level);
    const test = there(comparison.tests[0], 'The test');
    return text`${shareOf(answer)} was ${joined(groups.map(shareClause), ', ')}: ${estimate}, ${interval}; against ${statedValue(answer, '')}, ${testPhrase(test)}.`;
  },
  legend: legendOf(names),
};
