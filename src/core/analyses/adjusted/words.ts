/** What is said of adjusted means, and of the changes that may be taken instead. */
import type { Answer } from '../../answer/answer';
import type { Comparison } from '../../answer/comparison';
import { choicesOf, tellsRatios } from '../../question/choices';
import type { Question } from '../../question/question';
import { eachCounts } from '../../words/measured';
import { contribution } from '../../words/phrases';
import type { ModelWords } from '../by-model-words';
import type { Named } from '../../question/naming';
import { between, fixed, given, effectDecimals, percent, significant } from '../../words/numbers';
import { type Segment, part } from '../../words/segments';
import { unitAfter, valued } from '../../words/sentences';
import { type Text, text } from '../../words/text';

/** "adjusted for mass before": the covariate as a part of the sentence. */
const adjustedPart = (named: Named): Segment[] => [
  'adjusted for ',
  part('covariate', named.covariate ?? 'another measure'),
  ', ',
];

const covariateOf = ({ comparison }: Answer) => (comparison.ok ? comparison.value.covariate : undefined);

/** To what the means are adjusted, for the methods. */
function adjustedClause(answer: Answer): string {
  const covariate = covariateOf(answer);
  if (!covariate) return '';
  const chosen = answer.question.covariateAt !== undefined;
  const at = valued(chosen ? given(covariate.at) : significant(covariate.at, 4), covariate.unit);
  const lost =
    covariate.lost === 0
      ? ''
      : ` ${covariate.lost === 1 ? 'One reading' : `${covariate.lost} readings`} without a value of ${covariate.name} ${covariate.lost === 1 ? 'was' : 'were'} left out.`;
  const mean = covariate.logged ? 'geometric mean' : 'mean';
  const logarithm = covariate.logged ? ', which enters by its logarithm' : '';
  return ` Means are adjusted to a ${covariate.name} of ${at}${chosen ? '' : `, its ${mean} over all readings`}, with one slope in all groups${logarithm}.${lost}`;
}

/** How readings went with the covariate. */
function slopeClause(answer: Answer, { covariate }: Comparison): Text {
  if (!covariate) return [];
  const { slope, name, unit } = covariate;
  const decimals = effectDecimals(slope);
  const interval = `${percent(answer.question.level)} CI ${between(slope.interval, decimals)}`;
  if (tellsRatios(answer.question))
    return text` The slope on ${covariate.logged ? 'the logarithm of ' : ''}${name}, for the logarithms of the readings, was ${fixed(slope.estimate, decimals)} (${interval}).`;
  return text` For each ${unit || 'unit'} of ${name} readings changed by ${fixed(slope.estimate, decimals)}${unitAfter(answer.unit)} (${interval}).`;
}

const byCovariance =
  'Part of what makes readings differ was there before: the covariate tells it. Comparing the groups at one value of it takes that part off, so that the comparison is surer, and fair where the groups began apart by chance. It needs one slope in all groups, and a covariate the groups did not change.';

const covarianceElse =
  'The readings as they are, or their change from the covariate: both need no slope, and are less sure where it lies between.';

const ofChange = (question: Question): boolean => choicesOf(question).method === 'change';

export const words: ModelWords = {
  each: (named) => [...(ofChange(named.question) ? [] : adjustedPart(named)), ...eachCounts(named, 'reading')],
  methodName: (question) => (ofChange(question) ? 'Welch’s t-test of the change' : 'Analysis of covariance'),
  reason: (question) =>
    ofChange(question)
      ? 'Each reading is taken as its change from the covariate. It asks by how much subjects changed, and is less sure than adjusting wherever what was there before tells only part of what comes after.'
      : byCovariance,
  methodElse: (question) =>
    ofChange(question) ? 'Adjusting for the covariate, which is as fair and surer.' : covarianceElse,
  compared: 'adjusted means',
  procedure: ({ question }) =>
    ofChange(question)
      ? 'Welch’s two-sample t-test of the change (variances not assumed equal; Satterthwaite degrees of freedom)'
      : 'analysis of covariance',
  entered: contribution,
  further: adjustedClause,
  last: slopeClause,
};
