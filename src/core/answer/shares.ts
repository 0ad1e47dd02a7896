/** Shares: how many of those counted were something, of one group, two, the same subjects twice, or several. */
import { DomainError, demand } from '../numeric/domain-error';
import { exactOddsRatioInterval, fisherInterval } from '../procedures/fisher-exact';
import { independence } from '../procedures/independence';
import { mcnemar } from '../procedures/mcnemar';
import { type Share, oneProportion, proportionInterval } from '../procedures/one-proportion';
import { pairedProportions } from '../procedures/paired-proportions';
import { type TwoProportions, twoProportions } from '../procedures/two-proportions';
import { shuffleShares } from '../procedures/shuffle-counts';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import type { CountTable } from '../readings/counts';
import { leastOfShare, leastOfSigns, leastOfTable, unattainable } from './attainable';
import type { Comparison, Effect } from './comparison';
import { countedPart } from './counted-part';
import { testOfTable } from './table-test';
import { adjusted, pairsOf } from './follow-up';
import { type GroupPart, partOf } from './group-part';
import { chiSquareReference, normalReference } from './references';

/** A group of which only counts are known. */
function counted(
  { id, name, colour }: { id: string; name: string; colour: number },
  { successes, n }: Share,
  question: Question,
): GroupPart {
  const part: GroupPart = {
    id,
    name,
    unit: '',
    colour,
    column: '',
    decimals: 0,
    readings: { used: [], aside: [], unread: [] },
    n,
  };
  if (n === 0) return part;
  const interval = proportionInterval({ successes, n }, question.level, choicesOf(question).shareInterval);
  return { ...part, share: { successes, proportion: successes / n, interval } };
}

/** Where the category asked about stands among the outcomes. @throws DomainError when it is gone */
export function foundAt({ columns }: CountTable, found: string | undefined): number {
  const place = found === undefined ? 0 : columns.categories.findIndex((c) => c.id === found);
  if (place < 0) throw new DomainError('What was to be found is no longer among the categories: choose another.');
  return place;
}

const subtracted = (a: GroupPart, b: GroupPart): string => `${a.name} minus ${b.name}`;

const total = (row: readonly number[]): number => row.reduce((a, b) => a + b, 0);

/** Every group of the table as a share of its counts. */
export function shareParts(table: CountTable, question: Question): GroupPart[] {
  const place = foundAt(table, question.found);
  if (question.design === 'paired') {
    const found = table.columns.categories[place]?.name ?? '';
    const before = table.rows.categories.findIndex((c) => c.name === found);
    const n = total(table.counts.flat());
    return [
      counted(
        { id: 'first', name: table.rows.name, colour: 0 },
        { successes: total(table.counts[before] ?? []), n },
        question,
      ),
      counted(
        { id: 'second', name: table.columns.name, colour: 1 },
        { successes: total(table.counts.map((row) => row[place] ?? 0)), n },
        question,
      ),
    ];
  }
  return table.rows.categories.map((row, i) => {
    const line = table.counts[i] ?? [];
    return counted(row, { successes: line[place] ?? 0, n: total(line) }, question);
  });
}

/** The counts of a group that has some. @throws DomainError naming an empty one */
function shareOf(group: GroupPart): Share {
  if (!group.share) throw new DomainError(`Nothing was counted in ${group.name}: leave it out, or add its counts.`);
  return { successes: group.share.successes, n: group.n };
}

function compareOne(question: Question, group: GroupPart): Comparison {
  const { value, method, shareInterval } = choicesOf(question);
  const { level, direction } = question;
  const share = shareOf(group);
  demand(
    value > 0 && value < 1,
    `A share lies between 0 and 1, and is here held against ${value}: type a value between, 0.4 for 40 %.`,
  );
  const found = oneProportion(share, value);
  const p = method === 'exact' ? found.exact[direction] : found.p[direction];
  const { n, successes } = share;
  const { remark, ...least } =
    method === 'exact' ? unattainable(leastOfShare(n, value, direction), level) : { remark: [] };
  const effect: Effect = { name: `share in ${group.name}`, estimate: found.proportion, none: value, p };
  const kinds = ['wilson', 'clopper-pearson', 'agresti-coull', 'wald'] as const;
  const of = (kind: (typeof kinds)[number]): Effect => ({
    ...effect,
    name: intervalNames[kind],
    interval: proportionInterval(share, level, kind),
  });
  return {
    p,
    effect: { ...effect, interval: proportionInterval(share, level, shareInterval) },
    also: kinds.filter((kind) => kind !== shareInterval).map(of),
    tests: [
      method === 'exact'
        ? { symbol: undefined, value: undefined, df: [], p }
        : { symbol: 'z', value: found.z, df: [], p },
    ],
    sizes: [],
    // Either way, the exact test gathers counts by how likely they are: no pair of critical values says that.
    reference:
      method === 'exact'
        ? direction === 'either'
          ? []
          : [
              {
                distribution: 'binomial',
                parameters: { n, p: value },
                symbol: 'count',
                statistic: successes,
                direction,
              },
            ]
        : [normalReference(found.z, direction)],
    ...least,
    remarks: remark,
  };
}

/** Intervals of a share by the names the field gives them. */
export const intervalNames = {
  wilson: 'Wilson',
  'clopper-pearson': 'Clopper–Pearson',
  'agresti-coull': 'Agresti–Coull',
  wald: 'Wald',
} as const;

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

function compareTwo(question: Question, a: GroupPart, b: GroupPart): Comparison {
  const { method } = choicesOf(question);
  const { level, direction } = question;
  demand(a.id !== b.id, 'A group cannot be compared with itself: choose two different groups.');
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

function comparePaired(question: Question, table: CountTable, parts: readonly GroupPart[]): Comparison {
  const { method, effect: wanted } = choicesOf(question);
  const { level } = question;
  const place = foundAt(table, question.found);
  const name = table.columns.categories[place]?.name ?? '';
  const before = table.rows.categories.findIndex((c) => c.name === name);
  demand(
    before >= 0 && table.rows.categories.length <= 2 && table.columns.categories.length <= 2,
    `The same subjects twice need the same two outcomes in both columns, and “${name}” ${before < 0 ? `is not among those of ${table.rows.name}` : 'is one of more than two'}: name them alike in the readings.`,
  );
  const at = (i: boolean, j: boolean): number =>
    table.counts.reduce(
      (sum, row, r) => sum + row.reduce((s, n, c) => s + ((r === before) === i && (c === place) === j ? n : 0), 0),
      0,
    );
  const two = [
    [at(true, true), at(true, false)],
    [at(false, true), at(false, false)],
  ] as const;
  const test = mcnemar(two);
  const found = pairedProportions(two, level);
  const { direction } = question;
  const p = (method === 'exact' ? test.exact : method === 'mid-p' ? test.midP : test.score)[direction];
  const [a, b] = parts;
  const difference: Effect = {
    name: `${a?.name ?? ''} minus ${b?.name ?? ''}`,
    estimate: found.difference,
    interval: found.interval,
    p,
  };
  demand(
    wanted !== 'odds' || !Number.isNaN(found.oddsRatio.estimate),
    'Nobody changed, so there are no odds of changing: ask for the difference.',
  );
  const odds: Effect = {
    name: `odds of only ${a?.name ?? ''} over only ${b?.name ?? ''}`,
    none: 1,
    ratio: true,
    ...found.oddsRatio,
    p,
  };
  const [, [changedBack]] = two;
  const changed = two[0][1] + changedBack;
  const { remark, ...least } =
    method === 'exact' && changed > 0 ? unattainable(leastOfSigns(changed, direction), level) : { remark: [] };
  return {
    p,
    effect: wanted === 'odds' ? odds : difference,
    also: wanted === 'odds' ? [difference] : Number.isNaN(odds.estimate) ? [] : [odds],
    tests: [
      method !== 'score' || changed === 0
        ? { symbol: undefined, value: undefined, df: [], p }
        : direction === 'either'
          ? { symbol: 'χ²', value: test.chi2, df: [1], p }
          : { symbol: 'z', value: test.z, df: [], p },
    ],
    sizes: [],
    ...least,
    pairs: [two[0][1], changedBack],
    reference:
      changed === 0
        ? []
        : method === 'score'
          ? [direction === 'either' ? chiSquareReference(test.chi2, 1) : normalReference(test.z, direction)]
          : method === 'exact'
            ? [
                {
                  distribution: 'binomial',
                  parameters: { n: changed, p: 0.5 },
                  symbol: 'count',
                  statistic: two[0][1],
                  direction,
                },
              ]
            : [],
    remarks: [
      changed === 0
        ? 'Nobody changed, so no test can find a difference, and p is 1; the interval says how large one could still be.'
        : `Only subjects that changed say anything: ${two[0][1]} one way, ${changedBack} the other.`,
      ...remark,
    ],
  };
}

/** Groups as the rows of a table of two outcomes. */
function tableOfShares(parts: readonly GroupPart[]): NonNullable<Comparison['counts']> {
  const observed = parts.map((g) => {
    const { successes, n } = shareOf(g);
    return [successes, n - successes];
  });
  const { expected, adjusted } = independence(observed);
  return countedPart(
    { rowName: 'group', columnName: 'outcome', rows: parts.map((g) => g.name), columns: ['found', 'not'] },
    observed,
    expected,
    adjusted,
  );
}

function compareSeveral(question: Question, parts: readonly GroupPart[]): Comparison {
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
  const differences = pairs.map(([a, b]): Effect => {
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

/** The groups asked about, and what became of them. */
export function compareShares(question: Question, table: CountTable, all: readonly GroupPart[]): Comparison {
  switch (question.design) {
    case 'one-sample': {
      const first = question.a === undefined ? all[0] : partOf(all, question.a);
      demand(first !== undefined, 'Nothing was counted.');
      return compareOne(question, first);
    }
    case 'two-groups':
      return compareTwo(question, partOf(all, question.a), partOf(all, question.b));
    case 'paired':
      return comparePaired(question, table, all);
    default:
      return compareSeveral(question, question.groups ? question.groups.map((id) => partOf(all, id)) : all);
  }
}
