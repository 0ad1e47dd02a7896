import { demand } from '../../../numeric/domain-error';
import { independence } from '../../../procedures/independence';
import { twoProportions } from '../../../procedures/two-proportions';
import { choicesOf } from '../../../question/choices';
import type { Question } from '../../../question/question';
import type { Comparison, JudgedEffect } from '../../../answer/comparison';
import { testOfTable } from '../../../answer/table-test';
import { adjusted, pairsOf } from '../../../answer/follow-up';
import { type GroupPart } from '../../../answer/group-part';
import { subtracted } from '../../../answer/from-t';
import { shareOf, tableOfShares } from '../../../answer/shares';

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
  const tested = testOfTable(question, observed, found);
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
    remarks: tested.remarks,
  };
}
