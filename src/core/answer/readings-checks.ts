/** The checks of questions about readings. */
import { widthOf } from '../numeric/width-of';
import { withinRest } from '../procedures/subject-rows';
import { choicesOf } from '../question/choices';
import type { Answer } from './answer';
import {
  type Check,
  checkEqualSpread,
  checkIndependence,
  checkLimits,
  checkNormality,
  checkSampleSize,
  checkSphericity,
  checkUnusualPoints,
} from './checks';
import { valuesOf } from './group-part';
import { hasBelow } from './limits';

/** What the method chosen does not need cannot stand against it. */
export const unlessFree = (check: Check, free: boolean): Check =>
  free && (check.verdict === 'weigh' || check.verdict === 'matters') ? { ...check, verdict: 'free' } : check;

const asksNoShape = ({ question }: Answer): boolean =>
  ['ranks', 'shuffle', 'brown-forsythe'].includes(choicesOf(question).method);

/** The readings of each group that has some. */
export const groupValues = ({ groups }: Answer): (readonly number[])[] =>
  groups.map(valuesOf).filter((v) => v.length > 0);

/**
 * The checks of independent readings, or of differences within pairs.
 * @param values the readings as the checks see them
 * @param spreads whether each group keeps its own, they share one, or their spreads are what is asked about
 */
export function independentChecks(
  answer: Answer,
  values: readonly (readonly number[])[],
  spreads: 'own' | 'shared' | 'asked',
  paired = false,
): Check[] {
  const { repeats, averaged, comparison } = answer;
  if (values.flat().length === 0) return [];
  if (hasBelow(answer.groups))
    return [
      checkIndependence(repeats, averaged, paired),
      checkSampleSize(values, comparison.ok ? comparison.value.leastP : undefined),
      checkLimits(answer.groups.map(({ n, below }) => ({ n, below: below?.count ?? 0 }))),
    ];
  const spread = values.filter((v) => v.length > 1);
  const free = asksNoShape(answer);
  const own = spreads === 'own' && choicesOf(answer.question).method === 'means';
  const offered = (check: Check): Check => (paired ? check : withRatiosOffered(check, values, own));
  return [
    checkIndependence(repeats, averaged, paired),
    checkSampleSize(values, comparison.ok ? comparison.value.leastP : undefined),
    checkUnusualPoints(values, own),
    unlessFree(offered(checkNormality(values, own)), free),
    ...(spread.length > 1 && spreads !== 'asked' ? [unlessFree(offered(checkEqualSpread(spread)), own)] : []),
  ];
}

/**
 * A finding against normal readings, or equal spreads, offers ratios first where nothing stands against the logarithms
 * of the readings.
 */
export function withRatiosOffered(check: Check, values: readonly (readonly number[])[], own = false): Check {
  if (check.verdict !== 'weigh' && check.verdict !== 'matters') return check;
  if (!values.every((v) => v.every((x) => x > 0))) return check;
  const logs = values.map((v) => v.map(Math.log));
  const then = check.about === 'normality' ? checkNormality(logs, own) : checkEqualSpread(logs);
  return then.verdict === 'fine' ? { ...check, remedies: ['ratios', ...check.remedies] } : check;
}

/** What is left of subjects' readings under every condition once subject and condition are taken off. */
export function withinValues({ comparison }: Answer): (readonly number[])[] {
  const { complete, everyone } = (comparison.ok ? comparison.value : undefined) ?? {};
  if (everyone) return [everyone.residuals];
  const { rows, groupSizes } = complete ?? {};
  return rows && rows.length > 0 ? [[...withinRest(rows, groupSizes).rest]] : [[]];
}

/** The checks of subjects read under every condition. */
export function withinChecks(answer: Answer): Check[] {
  const { comparison, question } = answer;
  const values = withinValues(answer);
  if (values.flat().length === 0 || !comparison.ok) return [];
  const { complete, everyone, leastP, sphericity, epsilon } = comparison.value;
  const subjects = complete?.rows ?? everyone?.rows ?? [];
  return [
    checkSampleSize([subjects.map(() => 0)], leastP),
    checkUnusualPoints(values, false),
    unlessFree(checkNormality(values, false, subjects.length), asksNoShape(answer)),
    // Two conditions have one difference, which spreads as itself.
    ...(everyone || widthOf(subjects) < 3
      ? []
      : [checkSphericity(sphericity, epsilon?.greenhouseGeisser ?? 1, choicesOf(question).sphericity === 'assumed')]),
  ];
}
