import type { CountTable } from '../readings/counts';
import type { GroupPart } from './group-part';
import { total } from './shares';

/** The rows of a table as groups: what was counted in each. */
export const tableParts = (table: CountTable): GroupPart[] =>
  table.rows.categories.map((row, i) => ({
    ...row,
    unit: '',
    column: '',
    readings: { used: [], aside: [], unread: [] },
    n: total(table.counts[i] ?? []),
    decimals: 0,
  }));
