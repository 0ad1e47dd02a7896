/** Rows of a table that are no readings of their own: totals and summaries under them, and rows that stand twice. Kept, marked, and never counted. */
import type { Column, Table } from './table';

/** What such a row is, as it is marked where other cells carry the reason they were set aside for. */
export const besideReasons = {
  total: 'the sum of the other rows, not counted',
  summary: 'a summary of the other rows, not a reading',
  twice: 'the same as a row above, not counted again',
} as const;
export type Beside = keyof typeof besideReasons;
const kinds = Object.keys(besideReasons) as Beside[];

/** What kind of such a mark a reason is, if it is one. */
export function besideKind(reason: string | undefined): Beside | undefined {
  return kinds.find((kind) => besideReasons[kind] === reason);
}

/** The marks of a column that set readings aside; with `besides`, those of totals and summaries instead. */
export const marksOf = ({ aside }: Pick<Column, 'aside'>, besides = false): Record<number, string> =>
  Object.fromEntries(Object.entries(aside).filter(([, reason]) => (besideKind(reason) !== undefined) === besides));

/** The rows marked so in any column, each with what it is. */
export function besideRows(columns: readonly Pick<Column, 'aside'>[]): Map<number, Beside> {
  const rows = new Map<number, Beside>();
  for (const column of columns)
    for (const [row, reason] of Object.entries(column.aside)) {
      const kind = besideKind(reason);
      if (kind) rows.set(Number(row), kind);
    }
  return rows;
}

/** The columns without such rows, for whoever looks at the readings alone. */
export function withoutBeside({ columns }: Table): readonly Column[] {
  const rows = besideRows(columns);
  return rows.size === 0 ? columns : columns.map((c) => ({ ...c, cells: c.cells.filter((_, row) => !rows.has(row)) }));
}
