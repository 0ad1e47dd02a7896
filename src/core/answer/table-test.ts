/** The test of a table of counts by the method asked for, with the curve it is read from. */
import { nth } from '../numeric/nth';
import { fisherTable } from '../procedures/fisher-table';
import { attempt } from '../numeric/domain-error';
import { type Independence, cramersVInterval } from '../procedures/independence';
import type { Interval } from '../procedures/interval';
import { randomizationTest } from '../procedures/randomization';
import { sampledPInterval } from '../procedures/shuffle-means';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import type { Comparison, Reference, Test } from './comparison';

/** Arrangements drawn where they cannot all be counted: fewer of large tables, each of which takes longer. */
function drawnFor(observed: readonly (readonly number[])[]): number {
  const cells = observed.flat();
  // A cell is found outwards from its middle, some standard deviations far.
  const steps = cells.length * (10 + Math.sqrt(cells.reduce((a, b) => a + b, 0)));
  return Math.max(500, Math.min(20_000, Math.round(2e7 / steps)));
}

export interface TableTest extends Pick<Comparison, 'tests' | 'sizes' | 'remarks'> {
  p: number;
  reference: Reference[];
  trend?: number;
}

const withoutStatistic = (p: number, sampled?: number, pInterval?: Interval): Test => ({
  symbol: undefined,
  value: undefined,
  df: [],
  p,
  ...(sampled === undefined ? {} : { drawn: sampled }),
  ...(pInterval ? { pInterval } : {}),
});

/** The test alone. @param found its chi-square analysis */
function tested(
  question: Question,
  observed: readonly (readonly number[])[],
  found: Independence,
): Omit<TableTest, 'sizes'> {
  const { method, seed } = choicesOf(question);
  if (method === 'exact') {
    const { p, method: how, tables } = fisherTable(observed, seed, drawnFor(observed));
    return {
      p,
      tests: [withoutStatistic(p, how === 'sampled' ? tables : undefined)],
      reference: [],
      remarks:
        how === 'sampled'
          ? [
              `There are too many tables with these margins to count: p comes from ${tables.toLocaleString('en')} random ones, seed ${seed}.`,
            ]
          : [],
    };
  }
  if (method === 'shuffle') {
    const {
      p: tails,
      arrangements,
      method: how,
    } = randomizationTest({ kind: 'counts', table: observed, statistic: 'chi-square' }, seed, drawnFor(observed));
    const p = tails.greater;
    const sampled = how === 'sampled';
    return {
      p,
      tests: [
        withoutStatistic(
          p,
          sampled ? arrangements : undefined,
          sampled ? sampledPInterval(Math.round(p * (arrangements + 1)) - 1, arrangements, question.level) : undefined,
        ),
      ],
      reference: [],
      remarks: [
        sampled
          ? `p comes from ${arrangements.toLocaleString('en')} random arrangements of the labels, seed ${seed}.`
          : `p comes from all ${arrangements.toLocaleString('en')} arrangements of the labels, counted.`,
      ],
    };
  }
  const [symbol, value, p] =
    method === 'g' ? (['G', found.g, found.gP] as const) : (['χ²', found.chi2, found.p] as const);
  return {
    p,
    tests: [{ symbol, value, df: [found.df], p }],
    reference: [
      { distribution: 'chi-square', parameters: { df: found.df }, symbol, statistic: value, direction: 'greater' },
    ],
    remarks: [],
  };
}

/** Whether the rows of a table differ, and how strongly. @param found its chi-square analysis */
export function testOfTable(
  question: Question,
  observed: readonly (readonly number[])[],
  found: Independence,
): TableTest {
  const n = observed.flat().reduce((a, b) => a + b, 0);
  const columns = nth(observed, 0).length;
  return {
    ...tested(question, observed, found),
    sizes: [
      attempt(() => ({
        kind: 'cramer',
        value: found.cramersV,
        interval: cramersVInterval(found.chi2, observed.length, columns, n, question.level),
      })),
    ],
  };
}
