import { nth } from '../../../numeric/nth';
import { demand } from '../../../numeric/domain-error';
import { mcnemar } from '../../../procedures/mcnemar';
import { pairedProportions } from '../../../procedures/paired-proportions';
import { choicesOf } from '../../../question/choices';
import type { Question } from '../../../question/question';
import type { CountTable } from '../../../readings/counts';
import { leastOfSigns, unattainable } from '../../../answer/attainable';
import type { Comparison, Effect } from '../../../answer/comparison';
import { type GroupPart } from '../../../answer/group-part';
import { twoOf } from '../../../answer/two-of';
import { chiSquareReference, normalReference } from '../../../answer/references';
import { counted, foundAt, total } from '../../../answer/shares';

/** The two looks at the same subjects, each as a share of all. */
export function looks(table: CountTable, question: Question): GroupPart[] {
  const place = foundAt(table, question.found);
  const found = nth(table.columns.categories, place).name;
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
      { successes: total(table.counts.map((row) => nth(row, place))), n },
      question,
    ),
  ];
}

/** The share found in the same subjects twice. */
export function compare(question: Question, table: CountTable, parts: readonly GroupPart[]): Comparison {
  const { method, effect: wanted } = choicesOf(question);
  const { level } = question;
  const place = foundAt(table, question.found);
  const name = nth(table.columns.categories, place).name;
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
  const [a, b] = twoOf(parts);
  const difference: Effect = {
    name: `${a.name} minus ${b.name}`,
    estimate: found.difference,
    interval: found.interval,
    p,
  };
  demand(
    wanted !== 'odds' || !Number.isNaN(found.oddsRatio.estimate),
    'Nobody changed, so there are no odds of changing: ask for the difference.',
  );
  const odds: Effect = {
    name: `odds of only ${a.name} over only ${b.name}`,
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
