/** Rows picked together, and where the page begins: by hand, by a rule, or as an address says. */
import type { Table } from '../../core/readings/table';
import { pickedRows } from '../shared/picked-rows';
import { type Selection, at } from './selection';

/** Rows picked together, and by what. */
export interface Picked {
  rows: ReadonlySet<number>;
  words: string;
  column: string | undefined;
}

export const nothingPicked: Picked = { rows: new Set(), words: '', column: undefined };

/** Rows picked in a picture, where the address says that one came from there. */
export function pickedElsewhere(table: Table): Picked {
  const rows = window.location.hash === '#picked' ? pickedRows(table.id) : new Set<number>();
  return rows.size > 0 ? { rows, words: 'chosen in the picture', column: undefined } : nothingPicked;
}

/** The row and column an address names, as links from pictures give them: #row=12&column=red. */
export function addressed(table: Table): Selection {
  const asked = new URLSearchParams(window.location.hash.slice(1));
  const row = Number(asked.get('row') ?? 1) - 1;
  const column = table.columns.findIndex((c) => c.id === asked.get('column'));
  return at(Number.isInteger(row) && row >= 0 ? row : 0, Math.max(0, column));
}
