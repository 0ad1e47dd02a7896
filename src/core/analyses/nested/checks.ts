import type { Answer } from '../../answer/answer';
import {
  type Check,
  checkEqualSpread,
  checkIndependence,
  checkNormality,
  checkSampleSize,
  checkUnusualPoints,
} from '../../answer/checks';
import { groupValues, withRatiosOffered } from '../../answer/readings-checks';
import { leastOf } from '../../numeric/extremes';

/** The means of each group's samples. */
export function sampleMeans({ comparison, groups }: Answer): (readonly number[])[] {
  const samples = (comparison.ok ? comparison.value.model?.samples : undefined) ?? [];
  return groups.map((_, g) => samples.filter((s) => s.group === g).map((s) => s.mean));
}

/** The checks of samples with several readings each: a comparison of groups rests on its samples. */
export function nestedChecks(answer: Answer): Check[] {
  const means = sampleMeans(answer);
  if (means.flat().length === 0) return [];
  const spread = means.filter((m) => m.length > 1);
  return [
    checkIndependence(answer.repeats, true, false),
    checkSampleSize(means),
    checkUnusualPoints(groupValues(answer)),
    withRatiosOffered(checkNormality(means, false, leastOf(means.map((m) => m.length))), means),
    ...(spread.length > 1 ? [withRatiosOffered(checkEqualSpread(spread), spread)] : []),
  ];
}
