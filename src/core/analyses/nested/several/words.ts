import { controlPlace } from '../../../answer/follow-up';
import { groupsPart, measurePart, nameAt, shortGroups } from '../../../words/measured';
import { asked, part } from '../../../words/segments';
import {
  comparedClause,
  severalHeadline,
  severalHypotheses,
  severalMethods,
  severalResults,
} from '../../../words/several';
import { mixedModel, variationClause } from '../../../words/variation';
import type { Words } from '../../words';
import { eachSample, modelElse, modelName, modelReason, modelWords, tookMeans, withinSamples } from '../words';

export const words: Words = {
  sentence: (named) =>
    asked`Does ${measurePart(named)} differ ${part('compares', 'among')} ${groupsPart(named)}, ${eachSample(named)}`,
  short: shortGroups,
  methodName: () => mixedModel,
  alternativeName: modelName,
  carriedOut: (answer) => (tookMeans(answer) ? 'Analysis of variance of the samples’ means' : undefined),
  methodReason: () => `${modelReason} First whether the groups differ at all, then which.`,
  methodElse: () => modelElse,
  headline: (answer, comparison) => severalHeadline(answer, comparison, 'groups'),
  hypotheses: severalHypotheses,
  methods: (answer) => {
    const follow = comparedClause(answer, 'group', () => nameAt(answer, controlPlace(answer.question, answer.groups)));
    return severalMethods(answer, modelWords(answer, 'one-way analysis of variance'), withinSamples(answer), follow);
  },
  results: (answer, comparison) =>
    severalResults(answer, comparison, 'groups', { last: variationClause(answer, comparison) }),
};
