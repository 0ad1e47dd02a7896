import { demand } from '../../../numeric/domain-error';
import { independence } from '../../../procedures/independence';
import { proportionTrend } from '../../../procedures/proportion-trend';
import { placesOf } from '../../../question/placed';
import { normalReference } from '../../../answer/references';
import { twoProportions } from '../../../procedures/two-proportions';
import { choicesOf } from '../../../question/choices';
import type { Question } from '../../../question/question';
import type { Comparison, JudgedEffect } from '../../../answer/comparison';
import { type TableTest, testOfTable } from '../../../answer/table-test';
import { adjusted, pairsOf } from '../../../answer/follow-up';
import { type GroupPart } from '../../../answer/group-part';
import { subtracted } from '../../../answer/from-t';
import { shareOf, tableOfShares } from '../../../answer/shares';

/** Whether shares rise or fall over the groups, placed as they are named or equally. */
function trendOf(question: Question, parts: readonly GroupPart[]): TableTest {
  const { z, p } = proportionTrend(
    parts.map(shareOf),
    placesOf(
      question,
      parts.map((g) => g.name),
    ),
  );
  return {
    p: p.either,
    tests: [{ symbol: 'z', value: z, df: [], p: p.either }],
    sizes: [],
    reference: [normalReference(z, 'either')],
    trend: Math.sign(z),
    remarks: [],
  };
}

/** The shares found in several groups. */
export function compare(question: Question, parts: readonly GroupPart[]): Comparison {
  const { method, follow } = choicesOf(question);
  const { level } = question;
  demand(parts.length > 1, 'At least two groups are needed.');
  const shares = parts.map(shareOf);
  const all = shares.reduce((s, x) => ({ successes: s.successes + x.successes, n: s.n + x.n }), { successes: 0, n: 0 });
  demand(
    all.successes > 0 && all.successes < all.n,
    'All outcomes are the same in every group, so there is nothing that could differ.',
  );
  const observed = shares.map(({ successes, n }) => [successes, n - successes]);
  const found = independence(observed);
  const tested = method === 'trend' ? trendOf(question, parts) : testOfTable(question, observed, found);
  const pairs = pairsOf(parts);
  const differences = pairs.map(([a, b]): JudgedEffect => {
    const two = twoProportions(shareOf(a), shareOf(b), level);
    return {
      name: subtracted(a, b),
      pair: [a.id, b.id],
      estimate: two.difference,
      interval: two.newcombe,
      p: method === 'exact' ? two.fisher().either : two.p.either,
    };
  });
  return {
    p: tested.p,
    tests: tested.tests,
    sizes: tested.sizes,
    counts: tableOfShares(parts),
    reference: tested.reference,
    follow: {
      ok: true,
      value: [{ effects: adjusted(differences, follow), simultaneous: false, family: pairs.length }],
    },
    ...(tested.trend === undefined ? {} : { trend: tested.trend }),
    remarks: tested.remarks,
  };
}
