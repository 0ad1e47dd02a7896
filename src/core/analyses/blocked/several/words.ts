import { controlPlace } from '../../../answer/follow-up';
import { eachCounts, groupsPart, measurePart, nameAt, shortGroups } from '../../../words/measured';
import { contribution } from '../../../words/phrases';
import { asked, part } from '../../../words/segments';
import {
  comparedClause,
  severalHeadline,
  severalHypotheses,
  severalMethods,
  severalResults,
} from '../../../words/several';
import { variationClause } from '../../../words/variation';
import type { Words } from '../../words';
import { blockedElse, blockedModel, blockedName, blockedPart, blockedReason, blocksClause } from '../words';

export const words: Words = {
  sentence: (named) =>
    asked`Does ${measurePart(named)} differ ${part('compares', 'among')} ${groupsPart(named)}, ${blockedPart(named)}${eachCounts(named, 'reading')}`,
  short: shortGroups,
  methodName: blockedName,
  methodReason: (question) => `${blockedReason(question)} First whether the groups differ at all, then which.`,
  methodElse: blockedElse,
  headline: (answer, comparison) => severalHeadline(answer, comparison, 'groups'),
  hypotheses: severalHypotheses,
  methods: (answer) => {
    const follow = comparedClause(answer, 'group', () => nameAt(answer, controlPlace(answer.question, answer.groups)));
    return severalMethods(answer, blockedModel(answer), contribution(answer), `${blocksClause(answer)}${follow}`);
  },
  results: (answer, comparison) =>
    severalResults(answer, comparison, 'groups', { last: variationClause(answer, comparison) }),
};
