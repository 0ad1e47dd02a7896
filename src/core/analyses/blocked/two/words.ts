import { differenceHeadline, differenceHypotheses, differenceSentence } from '../../../words/difference';
import { against } from '../../../words/hypothesis';
import { eachCounts, shortGroups } from '../../../words/measured';
import { contribution } from '../../../words/phrases';
import { text } from '../../../words/text';
import { centreWord, effectWord, twoMeans, twoMethods, twoResults } from '../../../words/two';
import { variationClause } from '../../../words/variation';
import type { Words } from '../../words';
import { blockedElse, blockedModel, blockedName, blockedPart, blockedReason, blocksClause } from '../words';

export const words: Words = {
  sentence: (named) => differenceSentence(named, [...blockedPart(named), ...eachCounts(named, 'reading')]),
  short: shortGroups,
  methodName: blockedName,
  methodReason: blockedReason,
  methodElse: blockedElse,
  headline: (answer, comparison) => differenceHeadline(answer, comparison, centreWord(answer.question)),
  hypotheses: (answer) => differenceHypotheses(answer, twoMeans(answer), against[answer.question.direction]),
  equivalenceOf: twoMeans,
  methods: (answer) => twoMethods(answer, blockedModel(answer), contribution(answer), text`${blocksClause(answer)}`),
  results: (answer, comparison) =>
    text`${twoResults(answer, comparison, effectWord(answer.question))}${variationClause(answer, comparison)}`,
};
