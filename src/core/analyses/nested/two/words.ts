import { differenceHeadline, differenceHypotheses, differenceSentence } from '../../../words/difference';
import { against, parameterOf } from '../../../words/hypothesis';
import { nameAt, shortGroups } from '../../../words/measured';
import { text } from '../../../words/text';
import { twoMethods, twoResults } from '../../../words/two';
import { mixedModel, variationClause } from '../../../words/variation';
import type { Words } from '../../words';
import { eachSample, modelElse, modelReason, modelWords, tookMeans, withinSamples } from '../words';

export const words: Words = {
  sentence: (named) => differenceSentence(named, eachSample(named)),
  short: shortGroups,
  methodName: () => mixedModel,
  carriedOut: (answer) => (tookMeans(answer) ? 't-test of the samples’ means' : undefined),
  methodReason: () => modelReason,
  methodElse: () => modelElse,
  headline: (answer, comparison) => differenceHeadline(answer, comparison, 'mean'),
  hypotheses: (answer) =>
    differenceHypotheses(
      answer,
      `${parameterOf('\\mu', nameAt(answer, 0))} - ${parameterOf('\\mu', nameAt(answer, 1))}`,
      against[answer.question.direction],
    ),
  equivalenceOf: (answer) => `${parameterOf('\\mu', nameAt(answer, 0))} - ${parameterOf('\\mu', nameAt(answer, 1))}`,
  methods: (answer) =>
    twoMethods(answer, modelWords(answer, 'Student’s two-sample t-test (pooled variance)'), withinSamples(answer), []),
  results: (answer, comparison) =>
    text`${twoResults(answer, comparison, 'difference')}${variationClause(answer, comparison)}`,
};
