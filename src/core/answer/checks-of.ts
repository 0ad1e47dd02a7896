import { leastOf } from '../numeric/extremes';
import { sum } from '../numeric/sum';
import { withinRest } from '../procedures/subject-rows';
import { choicesOf } from '../question/choices';
import { byCell } from '../readings/factors';
import type { Answer } from './answer';
import {
  type Check,
  checkEqualSpread,
  checkExpectedCounts,
  checkIndependence,
  checkNormality,
  checkSampleSize,
  checkSphericity,
  checkUnusualPoints,
} from './checks';
import { valuesOf } from './group-part';
import { differencesOf } from './two-groups';

/** The readings as the checks see them: groups, cells, differences within pairs, or what is left within subjects. */
export function checkedValues(answer: Answer): (readonly number[])[] {
  const { question, groups, comparison, layout } = answer;
  const found = comparison.ok ? comparison.value : undefined;
  switch (question.design) {
    case 'paired':
      return [found?.pairing ? differencesOf(found.pairing) : []];
    case 'repeated':
    case 'mixed': {
      const { rows = [], groupSizes } = found?.complete ?? {};
      return rows.length > 0 ? [[...withinRest(rows, groupSizes).rest]] : [[]];
    }
    case 'factorial':
      return layout
        ? byCell(layout)
            .flat()
            .filter((readings) => readings.length > 0)
            .map((readings) => readings.map((r) => r.value))
        : [];
    default:
      return groups.map(valuesOf).filter((v) => v.length > 0);
  }
}

/** Counts rest on independence, and on expected counts that are large enough unless the test is exact. */
function checksOfCounts({ question, comparison, groups }: Answer): Check[] {
  const alone = checkIndependence(undefined, false, false);
  if (!comparison.ok) return [alone];
  const { value, method } = choicesOf(question);
  const [a] = groups;
  const { pairs } = comparison.value;
  const expected =
    question.design === 'one-sample' && question.about === 'share'
      ? a && [[a.n * value, a.n * (1 - value)]]
      : pairs
        ? [pairs.map(() => sum(pairs) / 2)]
        : comparison.value.counts?.expected;
  if (!expected) return [alone];
  const check = checkExpectedCounts(expected);
  return [
    alone,
    method === 'exact' || method === 'mid-p' || method === 'shuffle' ? { ...check, verdict: 'fine' } : check,
  ];
}

/** What the answer rests on, each assumption with its verdict. Summary figures alone leave little that can be checked. */
export function checksOf(answer: Answer): Check[] {
  const { question, groups, repeats, averaged, comparison, reported } = answer;
  const { design } = question;
  if (reported)
    return [
      {
        about: 'sample-size',
        verdict: groups.some((g) => g.n < 6) ? 'weigh' : 'fine',
        figures: { smallest: leastOf(groups.map((g) => g.n)) },
        remedies: ['none'],
      },
    ];
  if (question.about === 'share' || question.about === 'table') return checksOfCounts(answer);
  const values = checkedValues(answer);
  if (values.flat().length === 0) return [];
  const found = comparison.ok ? comparison.value : undefined;
  const within = design === 'repeated' || design === 'mixed';
  const spread = values.filter((v) => v.length > 1);
  const { method, spread: spreads } = choicesOf(question);
  /** What the method chosen does not need cannot stand against it. */
  const unlessFree = (check: Check, free: boolean): Check =>
    free && check.verdict !== 'unknown' ? { ...check, verdict: 'fine' } : check;
  const ownSpread = (design === 'two-groups' || design === 'several') && method === 'means' && spreads === 'separate';
  const subjects = found?.complete?.rows.length ?? 0;
  const free = method === 'ranks' || method === 'shuffle' || method === 'brown-forsythe';
  return [
    ...(within ? [] : [checkIndependence(repeats, averaged, design === 'paired')]),
    checkSampleSize(within ? [(found?.complete?.rows ?? []).map(() => 0)] : values, found?.leastP),
    checkUnusualPoints(values, ownSpread),
    unlessFree(within ? checkNormality(values, false, subjects) : checkNormality(values, ownSpread), free),
    ...(spread.length > 1 && question.about !== 'spread'
      ? [unlessFree(checkEqualSpread(spread), spreads === 'separate' && design !== 'factorial')]
      : []),
    ...(within
      ? [
          checkSphericity(
            found?.sphericity,
            found?.epsilon?.greenhouseGeisser ?? 1,
            choicesOf(question).sphericity === 'assumed',
          ),
        ]
      : []),
  ];
}
