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
import type { Words } from '../../words';
import { adjustedClause, adjustedPart, byCovariance, covarianceElse, slopeClause } from '../words';

export const words: Words = {
  sentence: (named) =>
    asked`Does ${measurePart(named)} differ ${part('compares', 'among')} ${groupsPart(named)}, ${adjustedPart(named)}${eachCounts(named, 'reading')}`,
  short: shortGroups,
  methodName: () => 'Analysis of covariance',
  methodReason: () => `${byCovariance} First whether the adjusted means differ at all, then which.`,
  methodElse: () => covarianceElse,
  headline: (answer, comparison) => severalHeadline(answer, comparison, 'groups'),
  hypotheses: severalHypotheses,
  methods: (answer) => {
    const follow = comparedClause(answer, 'group', () => nameAt(answer, controlPlace(answer.question, answer.groups)));
    return severalMethods(answer, 'analysis of covariance', contribution(answer), `${adjustedClause(answer)}${follow}`);
  },
  results: (answer, comparison) =>
    severalResults(answer, comparison, 'groups', { last: slopeClause(answer, comparison) }),
};
