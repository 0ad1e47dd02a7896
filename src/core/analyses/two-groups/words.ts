import type { Answer } from '../../answer/answer';
import { choicesOf } from '../../question/choices';
import { against, parameterOf } from '../../words/hypothesis';
import { nameAt, eachCounts } from '../../words/measured';
import { byLikelihood, likelihoodElse, likelihoodName, likelihoodWords } from '../../words/limits';
import { byPermutation, byRanks, repeatsWords } from '../../words/method-reasons';
import { contribution } from '../../words/phrases';
import { valued } from '../../words/sentences';
import { symbol, text } from '../../words/text';
import {
  centreWord,
  effectWord,
  ofLogarithms,
  permutedWords,
  resampledClause,
  statisticWords,
  twoMeans,
  twoMethods,
  twoResults,
} from '../../words/two';
import {
  differenceHeadline,
  differenceHypotheses,
  differenceSentence,
  permutedHypotheses,
} from '../../words/difference';
import { shortGroups } from '../../words/measured';
import type { Words } from '../words';

/** "known SD 4 mm", "known SDs 4 and 5 mm". */
function knownSds({ question: { knownSd, knownSdB = knownSd }, unit }: Answer): string {
  return knownSd === knownSdB
    ? `known SD ${valued(String(knownSd), unit)}`
    : `known SDs ${String(knownSd)} and ${valued(String(knownSdB), unit)}`;
}

function testWords(answer: Answer): string {
  const { method, spread, statistic } = choicesOf(answer.question);
  if (method === 'ranks') return 'the Mann–Whitney test';
  if (method === 'likelihood') return likelihoodWords;
  if (method === 'z') return `a two-sample z-test (${knownSds(answer)})`;
  if (method === 'shuffle')
    return permutedWords(
      answer,
      statistic === 't'
        ? 'Welch’s t, labels shuffled'
        : `the difference of ${{ mean: 'mean', median: 'median', trimmed: '20 % trimmed mean' }[statistic]}s, labels shuffled`,
    );
  return spread === 'separate'
    ? 'Welch’s two-sample t-test (variances not assumed equal; Satterthwaite degrees of freedom)'
    : 'Student’s two-sample t-test (pooled variance)';
}

export const words: Words = {
  sentence: (named) => differenceSentence(named, eachCounts(named, 'reading')),
  short: shortGroups,
  methodName: (question) => {
    const { method, spread, statistic } = choicesOf(question);
    if (method === 'ranks') return 'Mann–Whitney test';
    if (method === 'likelihood') return likelihoodName;
    if (method === 'z') return 'Two-sample z-test';
    if (method === 'shuffle') return `Randomization test of ${statisticWords[statistic]}`;
    return spread === 'pooled' ? 'Student’s t-test with pooled variance' : 'Welch’s t-test';
  },
  alternativeName: (question) => `${words.methodName(question)}${repeatsWords(question)}`,
  methodReason: (question) => {
    const { method, spread } = choicesOf(question);
    if (method === 'ranks') return byRanks;
    if (method === 'likelihood') return byLikelihood;
    if (method === 'z')
      return 'You gave the SDs of the whole populations, so nothing about the spread is estimated and z takes the place of t.';
    if (method === 'shuffle') return byPermutation('give a difference as large');
    return spread === 'separate'
      ? 'Two independent groups are compared by their means. Welch’s t lets each group keep its own spread: it is right when spreads differ, and loses next to nothing when they do not.'
      : 'Two independent groups are compared by their means. With the spreads taken as equal the pooled t gains a little precision, and misleads when the smaller group is the more variable one.';
  },
  methodElse: (question) => {
    const { method, spread } = choicesOf(question);
    if (method === 'likelihood') return likelihoodElse;
    if (method === 'z') return 'Welch’s t, if the SDs are less surely known than that.';
    return method === 'means'
      ? `${spread === 'separate' ? 'The pooled t, if equal spreads were planned for' : 'Welch’s t, if in doubt about the spreads'}; ranks or a permutation test, if the means are swayed by a few readings.`
      : 'Welch’s t, if the difference of the means is what you want to know.';
  },
  headline: (answer, comparison) => differenceHeadline(answer, comparison, centreWord(answer.question)),
  hypotheses: (answer) => {
    const { method } = choicesOf(answer.question);
    if (method === 'shuffle')
      return permutedHypotheses(
        answer,
        `${parameterOf('F', nameAt(answer, 0))} = ${parameterOf('F', nameAt(answer, 1))}`,
        'The labels have nothing to do with the readings: each could have stood under any.',
      );
    const shift = `${parameterOf('\\theta', nameAt(answer, 0))} - ${parameterOf('\\theta', nameAt(answer, 1))}`;
    return differenceHypotheses(
      answer,
      method === 'ranks' ? shift : twoMeans(answer),
      against[answer.question.direction],
    );
  },
  equivalenceOf: twoMeans,
  methods: (answer) => {
    const { method } = choicesOf(answer.question);
    const centre = centreWord(answer.question);
    const standardized =
      method === 'means'
        ? text` Standardized differences are Hedges’ ${symbol('g')}${ofLogarithms(answer.question)} with noncentral-${symbol('t')} intervals.`
        : method === 'z'
          ? []
          : method === 'ranks'
            ? text` Differences are Hodges–Lehmann shifts.`
            : method === 'likelihood'
              ? text` Intervals are of the profile likelihood.`
              : centre === 'mean'
                ? text` Intervals are Welch’s.`
                : text`${resampledClause(answer, `of ${centre}s`)}`;
    return twoMethods(answer, testWords(answer), contribution(answer), standardized);
  },
  results: (answer, comparison) => twoResults(answer, comparison, effectWord(answer.question)),
};
