import type { Directed } from '../answering/directions';
import { there } from '../numeric/there';
import { choiceNames } from '../words/choice-names';
import { type ResultTable, column, pCell } from '../words/tables/result-table';
import { symbol } from '../words/text';

/** The p of each direction as a table. */
export const directionsTable = (all: readonly Directed[]): ResultTable => ({
  kind: 'directions',
  title: 'p in each direction',
  columns: [column('direction'), column(symbol('p'))],
  rows: all.map(({ direction, asked, p, why }) => ({
    head: [`${choiceNames.direction[direction]}${asked ? ' · asked' : ''}`],
    ...(p === undefined ? { cells: [], reason: there(why, 'reason') } : { cells: [pCell(p)] }),
    ...(asked ? { weight: 'main' as const } : {}),
  })),
  notes: [],
});
