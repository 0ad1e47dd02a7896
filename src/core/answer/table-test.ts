/** The test of a table of counts by the method asked for, with the curve it is read from. */
import { fisherTable } from '../procedures/fisher-table';
import type { Independence } from '../procedures/independence';
import type { Interval } from '../procedures/interval';
import { shuffleTable } from '../procedures/shuffle-counts';
import { sampledPInterval } from '../procedures/shuffle-means';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import type { Comparison, Reference, Test } from './comparison';

interface TableTest extends Pick<Comparison, 'p' | 'tests' | 'remarks'> {
  reference: Reference[];
}

const withoutStatistic = (p: number, pInterval?: Interval): Test => ({
  symbol: undefined,
  value: undefined,
  df: [],
  p,
  ...(pInterval ? { pInterval } : {}),
});

/** Whether the rows of a table differ. @param found its chi-square analysis */
export function testOfTable(
  question: Question,
  observed: readonly (readonly number[])[],
  found: Independence,
): TableTest {
  const { method, seed } = choicesOf(question);
  if (method === 'exact') {
    const { p, method: how, shuffles } = fisherTable(observed, seed);
    return {
      p,
      tests: [withoutStatistic(p)],
      reference: [],
      remarks:
        how === 'sampled'
          ? [
              `There are too many tables with these margins to count: p comes from ${shuffles.toLocaleString('en')} random ones, seed ${seed}.`,
            ]
          : [],
    };
  }
  if (method === 'shuffle') {
    const n = observed.flat().reduce((a, b) => a + b, 0);
    const asked = Math.max(1_000, Math.min(20_000, Math.round(2e6 / n)));
    const { p: tails, arrangements, method: how } = shuffleTable(observed, seed, asked);
    const p = tails.greater;
    const sampled = how === 'sampled';
    return {
      p,
      tests: [
        withoutStatistic(
          p,
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
