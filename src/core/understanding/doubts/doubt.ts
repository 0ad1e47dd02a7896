/** What of a standing table is unclear: read one way, and perhaps meant another. */
import type { Table } from '../../readings/table';
import type { TableEdit } from '../../readings/table-edit';

/** Each doubt, the weightiest first, by what is unclear. */
export const doubtNames = {
  'ambiguous-layout': 'the layout',
  'split-line': 'lines of many numbers',
  'first-row': 'a first row that may be names',
  'total-row': 'a row of totals',
  'total-column': 'a column that follows from the others',
  'summary-row': 'rows that sum up the others',
  'row-twice': 'rows that stand twice',
  'cells-shifted': 'cells beyond the last name',
  'no-subject': 'readings without a subject',
  calendar: 'days or years',
  'running-number': 'a running number',
  'which-outcome': 'the outcome',
  'no-subject-column': 'what names the subjects',
  replicates: 'several readings of a subject',
  'lost-partners': 'subjects with a reading missing',
  'no-group': 'readings without a group',
  'odd-name': 'a name among numbers',
  'near-names': 'names that hardly differ',
  'same-names': 'columns of one name',
  'mixed-units': 'units',
  'missing-code': 'a number that may stand for none',
  ranges: 'ranges in place of readings',
  'scale-slip': 'readings of another order of magnitude',
  'beyond-limit': 'readings beyond a limit',
  'spread-kind': 'the kind of spread',
} as const;
export type DoubtCode = keyof typeof doubtNames;
export const doubtCodes = Object.keys(doubtNames) as DoubtCode[];

/** A mend at one click. */
export interface Mend {
  label: string;
  edits: TableEdit[];
}

export interface TableDoubt {
  code: DoubtCode;
  /** What was understood, and what of it is not sure. */
  text: string;
  /** Cells it speaks of, each by its column's id and its row from 0, with what to call the place. */
  where: { column: string; row: number; called: string }[];
  mends: Mend[];
}

/** Whether a person has said already what this is. */
export const isSettled = (table: Table, code: DoubtCode, as?: string): boolean =>
  as === undefined ? table.settled?.[code] !== undefined : table.settled?.[code] === as;

/** The edit that says what something is that was unclear. */
export const settle = (table: Table, code: DoubtCode, as = 'right'): TableEdit => ({
  kind: 'describe-table',
  settled: { ...table.settled, [code]: as },
});

/** The mend that leaves all as it was understood. */
export const asItIs = (table: Table, code: DoubtCode, label = 'That is right', as = 'right'): Mend => ({
  label,
  edits: [settle(table, code, as)],
});

/** A list of things as a clause: "a, b and c", or "a, b and 5 more". */
export function some(names: readonly string[], most = 4): string {
  const shown = names.length > most ? names.slice(0, most - 1) : names;
  const rest = names.length - shown.length;
  const all = rest > 0 ? [...shown, `${rest} more`] : shown;
  return all.length < 2 ? all.join('') : `${all.slice(0, -1).join(', ')} and ${all.at(-1) ?? ''}`;
}
