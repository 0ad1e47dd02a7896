import { differenceHeadline, differenceHypotheses, differenceSentence } from '../../../words/difference';
import { against } from '../../../words/hypothesis';
import { shortGroups } from '../../../words/measured';
import { text } from '../../../words/text';
import { centreWord, effectWord, twoMeans, twoMethods, twoResults } from '../../../words/two';
import { mixedModel, variationClause } from '../../../words/variation';
import type { Words } from '../../words';
import { eachSample, modelElse, modelName, modelReason, modelWords, tookMeans, withinSamples } from '../words';

export const words: Words = {
  sentence: (named) => differenceSentence(named, eachSample(named)),
  short: shortGroups,
  methodName: () => mixedModel,
  alternativeName: modelName,
  carriedOut: (answer) => (tookMeans(answer) ? 't-test of the samples’ means' : undefined),
  methodReason: () => modelReason,
  methodElse: () => modelElse,
  headline: (answer, comparison) => differenceHeadline(answer, comparison, centreWord(answer.question)),
  hypotheses: (answer) => differenceHypotheses(answer, twoMeans(answer), against[answer.question.direction]),
  equivalenceOf: twoMeans,
  methods: (answer) =>
    twoMethods(answer, modelWords(answer, 'Student’s two-sample t-test (pooled variance)'), withinSamples(answer), []),
  results: (answer, comparison) =>
    text`${twoResults(answer, comparison, effectWord(answer.question))}${variationClause(answer, comparison)}`,
};
