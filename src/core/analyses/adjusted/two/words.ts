import { choicesOf } from '../../../question/choices';
import { differenceHeadline, differenceHypotheses, differenceSentence } from '../../../words/difference';
import { against } from '../../../words/hypothesis';
import { eachCounts, shortGroups } from '../../../words/measured';
import { contribution } from '../../../words/phrases';
import { text } from '../../../words/text';
import { centreWord, effectWord, twoMeans, twoMethods, twoResults } from '../../../words/two';
import type { Question } from '../../../question/question';
import type { Words } from '../../words';
import { adjustedClause, adjustedPart, byCovariance, covarianceElse, slopeClause } from '../words';

const ofChange = (question: Question): boolean => choicesOf(question).method === 'change';

export const words: Words = {
  sentence: (named) =>
    differenceSentence(named, [
      ...(ofChange(named.question) ? [] : adjustedPart(named)),
      ...eachCounts(named, 'reading'),
    ]),
  short: shortGroups,
  methodName: (question) => (ofChange(question) ? 'Welch’s t-test of the change' : 'Analysis of covariance'),
  methodReason: (question) =>
    ofChange(question)
      ? 'Each reading is taken as its change from the covariate. It asks by how much subjects changed, and is less sure than adjusting wherever what was there before tells only part of what comes after.'
      : byCovariance,
  methodElse: (question) =>
    ofChange(question) ? 'Adjusting for the covariate, which is as fair and surer.' : covarianceElse,
  headline: (answer, comparison) => differenceHeadline(answer, comparison, centreWord(answer.question)),
  hypotheses: (answer) => differenceHypotheses(answer, twoMeans(answer), against[answer.question.direction]),
  equivalenceOf: twoMeans,
  methods: (answer) =>
    twoMethods(
      answer,
      ofChange(answer.question)
        ? 'Welch’s two-sample t-test of the change (variances not assumed equal; Satterthwaite degrees of freedom)'
        : 'analysis of covariance',
      contribution(answer),
      text`${adjustedClause(answer)}`,
    ),
  results: (answer, comparison) =>
    text`${twoResults(answer, comparison, effectWord(answer.question))}${slopeClause(answer, comparison)}`,
};
