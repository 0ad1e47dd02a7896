import { demand } from '../../../numeric/domain-error';
import { exactOddsRatioInterval, fisherInterval } from '../../../procedures/fisher-exact';
import { type TwoProportions, twoProportions } from '../../../procedures/two-proportions';
import { shuffleShares } from '../../../procedures/shuffle-counts';
import { choicesOf } from '../../../question/choices';
import type { Question } from '../../../question/question';
import { leastOfTable, unattainable } from '../../../answer/attainable';
import type { Comparison, Effect } from '../../../answer/comparison';
import { type GroupPart } from '../../../answer/group-part';
import { normalReference } from '../../../answer/references';
import { subtracted } from '../../../answer/from-t';
import { shareOf, tableOfShares } from '../../../answer/shares';

/** Difference, ratio and odds ratio of two shares, the one asked for first. */
function effectsOfTwo(
  question: Question,
  [a, b]: readonly [GroupPart, GroupPart],
  found: TwoProportions,
  p: number,
): Effect[] {
  const { method, effect: wanted } = choicesOf(question);
  const [x, y] = [shareOf(a), shareOf(b)];
  const pair: readonly [string, string] = [a.id, b.id];
  const over = `${a.name} over ${b.name}`;
  const counts = [
    [x.successes, x.n - x.successes],
    [y.successes, y.n - y.successes],
  ] as const;
  const cornfield = () => exactOddsRatioInterval(counts, question.level);
  const ratio = (name: string, { estimate, interval }: TwoProportions['riskRatio']): Effect => ({
    name,
    pair,
    estimate,
    none: 1,
    ratio: true,
    ...(interval ? { interval } : {}),
    p,
  });
  // Without both outcomes in both groups Woolf's interval is not there; the exact one still has a bound.
  const odds = !found.oddsRatio.interval ? { ...found.oddsRatio, interval: cornfield() } : found.oddsRatio;
  const all = {
    difference: {
      name: subtracted(a, b),
      pair,
      estimate: found.difference,
      interval: found.newcombe,
      p,
    } satisfies Effect,
    ratio: ratio(`ratio of shares, ${over}`, found.riskRatio),
    odds: ratio(
      `odds ratio, ${over}`,
      method === 'exact' ? { ...odds, interval: fisherInterval(counts, question.level) } : odds,
    ),
  };
  demand(
    !Number.isNaN(all[wanted].estimate),
    `All outcomes are the same in both groups, so there is no ${wanted === 'odds' ? 'odds ratio' : 'ratio'} of them: ask for the difference of the shares.`,
  );
  const others = (['difference', 'ratio', 'odds'] as const).filter(
    (k) => k !== wanted && !Number.isNaN(all[k].estimate),
  );
  return [
    all[wanted],
    ...others.map((k) => all[k]),
    ...(method === 'exact' && !Number.isNaN(odds.estimate)
      ? [ratio(`odds ratio, ${over}, equal tails (Cornfield)`, { ...odds, interval: cornfield() })]
      : []),
  ];
}

/** The shares found in two groups. */
export function compare(question: Question, a: GroupPart, b: GroupPart): Comparison {
  const { method } = choicesOf(question);
  const { level, direction } = question;
  const [x, y] = [shareOf(a), shareOf(b)];
  const found = twoProportions(x, y, level);
  const p =
    method === 'exact'
      ? found.fisher()[direction]
      : method === 'shuffle'
        ? shuffleShares(x, y)[direction]
        : found.p[direction];
  const [effect, ...also] = effectsOfTwo(question, [a, b], found, p);
  const wald: Effect = {
    name: `${subtracted(a, b)}, Wald interval`,
    estimate: found.difference,
    interval: found.wald,
    p,
  };
  const separated = [x, y].some(({ successes, n }) => successes === 0 || successes === n);
  const marked = x.successes + y.successes;
  const same = marked === 0 || marked === x.n + y.n;
  // Equal tails of twice the error leave all of it on one side.
  const oddsBounds = () => ({
    bounds: exactOddsRatioInterval(
      [
        [x.successes, x.n - x.successes],
        [y.successes, y.n - y.successes],
      ],
      2 * level - 1,
    ),
  });
  const { remark, ...least } =
    method === 'score' || same ? { remark: [] } : unattainable(leastOfTable(x, y, direction), level);
  return {
    p,
    ...(effect ? { effect } : {}),
    also: [...also, wald],
    tests: [
      method !== 'score' || same
        ? { symbol: undefined, value: undefined, df: [], p }
        : { symbol: 'z', value: found.z, df: [], p },
    ],
    sizes: [],
    ...(same ? {} : { counts: tableOfShares([a, b]) }),
    ...(method === 'exact' && choicesOf(question).effect === 'odds' && direction !== 'either' && !same
      ? oddsBounds()
      : {}),
    reference: same
      ? []
      : method !== 'score'
        ? direction === 'either'
          ? []
          : [
              {
                distribution: 'hypergeometric',
                parameters: { drawn: x.n, marked, total: x.n + y.n },
                symbol: 'count',
                statistic: x.successes,
                direction,
              },
            ]
        : [normalReference(found.z, direction)],
    ...least,
    remarks: same
      ? [
          'All outcomes are the same in both groups, so no test can find a difference, and p is 1; the interval says how large one could still be.',
        ]
      : separated
        ? [
            ...remark,
            'One group has only one of the two outcomes: a ratio then has no finite interval on one side, and the bound that exists is shown.',
          ]
        : remark,
  };
}
