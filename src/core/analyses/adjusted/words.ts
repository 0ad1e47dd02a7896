/** What questions about adjusted means share in words. */
import type { Answer } from '../../answer/answer';
import type { Comparison } from '../../answer/comparison';
import { tellsRatios } from '../../question/choices';
import type { Named } from '../../question/naming';
import { between, fixed, given, effectDecimals, percent, significant } from '../../words/numbers';
import { type Segment, part } from '../../words/segments';
import { unitAfter, valued } from '../../words/sentences';
import { type Text, text } from '../../words/text';

/** "adjusted for mass before": the covariate as a part of the sentence. */
export const adjustedPart = (named: Named): Segment[] => [
  'adjusted for ',
  part('covariate', named.covariate ?? 'another measure'),
  ', ',
];

const covariateOf = ({ comparison }: Answer) => (comparison.ok ? comparison.value.covariate : undefined);

/** To what the means are adjusted, for the methods. */
export function adjustedClause(answer: Answer): string {
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
export function slopeClause(answer: Answer, { covariate }: Comparison): Text {
  if (!covariate) return [];
  const { slope, name, unit } = covariate;
  const decimals = effectDecimals(slope);
  const interval = `${percent(answer.question.level)} CI ${between(slope.interval, decimals)}`;
  if (tellsRatios(answer.question))
    return text` The slope on ${covariate.logged ? 'the logarithm of ' : ''}${name}, for the logarithms of the readings, was ${fixed(slope.estimate, decimals)} (${interval}).`;
  return text` For each ${unit || 'unit'} of ${name} readings changed by ${fixed(slope.estimate, decimals)}${unitAfter(answer.unit)} (${interval}).`;
}

export const byCovariance =
  'Part of what makes readings differ was there before: the covariate tells it. Comparing the groups at one value of it takes that part off, so that the comparison is surer, and fair where the groups began apart by chance. It needs one slope in all groups, and a covariate the groups did not change.';

export const covarianceElse =
  'The readings as they are, or their change from the covariate: both need no slope, and are less sure where it lies between.';
