import type { Answer } from '../../answer/answer';
import { choicesOf } from '../../question/choices';
import { against, parameterOf } from '../../words/hypothesis';
import {
  bareMeasure,
  does,
  eachCounts,
  groupPart,
  is,
  isAlone,
  measureOf,
  measurePart,
  nameAt,
  ofGroup,
  statedValue,
  takenClause,
  withCentre,
} from '../../words/measured';
import { byRanks } from '../../words/method-reasons';
import { contribution } from '../../words/phrases';
import { asked, part } from '../../words/segments';
import { sentenceCase, valued } from '../../words/sentences';
import { text } from '../../words/text';
import { equivalenceMethod, headlineOf, sidedClause, theEffect, toldEffect, twoResults } from '../../words/two';
import type { Words } from '../words';

function testWords({ question, unit }: Answer): string {
  const { method } = choicesOf(question);
  if (method === 'ranks') return 'Wilcoxon’s signed-rank test';
  return method === 'z'
    ? `a one-sample z-test (known SD ${valued(String(question.knownSd), unit)})`
    : 'a one-sample t-test';
}

export const words: Words = {
  sentence: (named) => {
    const { question, unit } = named;
    const value = part('value', statedValue(named, unit, 'a value'));
    const measure = measurePart(named);
    const of = isAlone(named) ? '' : asked` of ${groupPart('a', named)}`;
    const way = question.direction;
    return way === 'either'
      ? asked`${does(named)} ${measure}${of} ${part('direction', 'differ')} ${part('compares', 'from')} ${value}, ${eachCounts(named, 'reading')}`
      : asked`${is(named)} ${measure}${of} ${part('direction', way)} ${part('compares', 'than')} ${value}, ${eachCounts(named, 'reading')}`;
  },
  short: (named) => `${nameAt(named, 0)} · ${statedValue(named, named.unit)}`,
  methodName: (question) =>
    ({ ranks: 'Wilcoxon signed-rank test', z: 'One-sample z-test', means: 'One-sample t-test' })[
      choicesOf(question).method as 'means'
    ],
  methodReason: (question) =>
    ({
      ranks: byRanks,
      z: 'You gave the SD of the whole population, so nothing about the spread is estimated and z takes the place of t.',
      means:
        'One group’s mean is compared with a fixed value; its own spread says how far a mean of so many readings may stray.',
    })[choicesOf(question).method as 'means'],
  methodElse: (question) =>
    choicesOf(question).method === 'ranks'
      ? 'The t-test, if the mean is what you want to know.'
      : 'The signed-rank test, if readings are few and lopsided.',
  headline: (answer, comparison) => {
    const { method } = choicesOf(answer.question);
    const first = nameAt(answer, 0);
    const stated = statedValue(answer, answer.unit);
    const { size, sign } = toldEffect(theEffect(comparison), answer.unit);
    const side = sign > 0 ? 'above' : 'below';
    const mean = withCentre('mean', bareMeasure(answer));
    const observed =
      method === 'ranks'
        ? sign === 0
          ? `${sentenceCase(measureOf(answer))} was not shifted between ${first} and ${stated}`
          : `${sentenceCase(ofGroup(bareMeasure(answer), answer))} lay ${size} ${side} ${stated} (Hodges–Lehmann estimate)`
        : `${ofGroup(mean, answer)} was ${sign === 0 ? stated : `${size} ${side} ${stated}`}`;
    return headlineOf(observed, answer, comparison, stated, { shown: 'that it is the mean' });
  },
  hypotheses: (answer) => {
    const { question, unit } = answer;
    const { method } = choicesOf(question);
    const ranks = method === 'ranks';
    const mu = parameterOf(ranks ? '\\theta' : '\\mu', nameAt(answer, 0));
    const what = ranks ? `the typical ${bareMeasure(answer)}` : `mean ${bareMeasure(answer)}`;
    const stated = statedValue(answer, unit);
    const way = question.direction;
    return {
      none: {
        tex: `H_0\\colon ${mu} = ${question.value ?? '\\ldots'}`,
        words: `${sentenceCase(ofGroup(what, answer))} is ${stated}.`,
      },
      some: {
        tex: `H_1\\colon ${mu} ${against[way]} ${question.value ?? '\\ldots'}`,
        words: `It is ${way === 'either' ? 'another' : `${way} than ${stated}`}.`,
      },
    };
  },
  equivalenceOf: (answer) => `${parameterOf('\\mu', nameAt(answer, 0))} - \\mu_0`,
  methods: (answer) => {
    const stated = statedValue(answer, answer.unit);
    return text`${sentenceCase(ofGroup(measureOf(answer), answer))} was compared with ${stated} by ${testWords(answer)}, ${contribution(answer)}. ${sidedClause(answer)}.${equivalenceMethod(answer)}${takenClause(answer)}`;
  },
  results: (answer, comparison) =>
    twoResults(answer, comparison, choicesOf(answer.question).method === 'ranks' ? 'shift' : 'difference'),
};
