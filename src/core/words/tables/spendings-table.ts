/** Ways to spread readings over samples, with what each costs, as a table. */
import { leastOf } from '../../numeric/extremes';
import type { Spending } from '../../planning/plan';
import { given, plural } from '../numbers';
import { type ResultTable, column, count, words } from './result-table';

/**
 * @param groups how many groups are sampled so
 * @param chosen how many readings of each sample the plan has now
 * @param subject what one sample is: "tank"
 */
export function spendingsTable(
  ways: readonly Spending[],
  { groups, chosen, subject }: { groups: number; chosen: number; subject: string },
): ResultTable {
  const least = leastOf(ways.map((way) => way.cost));
  return {
    kind: 'spendings',
    title: `More readings, or more ${plural(subject)}?`,
    columns: [
      column(`readings of each ${subject}`),
      column(`${plural(subject)} in each group`),
      column('readings in all'),
      column('cost of all'),
      column('', { words: true }),
    ],
    rows: ways.map(({ readings, samples, cost }) => ({
      head: [String(readings)],
      cells: [
        count(samples),
        count(groups * samples * readings),
        { text: given(Number(cost.toPrecision(6))), value: cost },
        words(cost === least ? 'cheapest' : ''),
      ],
      ...(readings === chosen ? { weight: 'main' as const } : {}),
    })),
    notes: [],
  };
}
