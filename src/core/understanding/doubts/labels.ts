/** Columns of numbers that are no readings: days, years, running numbers. */
import { leastOf, mostOf } from '../../numeric/extremes';
import { columnsAreGroups } from '../../readings/groups';
import { readColumn } from '../../readings/read-column';
import { type Column, type Table, called, columnsOf } from '../../readings/table';
import type { TableEdit } from '../../readings/table-edit';
import { holdsYears, isDate, look, runs } from '../seen';
import { calendarName, numberName, variableIn } from '../vocabulary';
import { type Mend, type TableDoubt, asItIs, isSettled, settle } from './doubt';
import { textAt } from '../../readings/cell-at';

const become = (column: Column, role: Column['role'], more: TableEdit[] = []): TableEdit[] => [
  { kind: 'describe-column', column: column.id, role },
  ...more,
];

/** Cells that are looked at: what a column holds is told by its first rows. */
const looked = 1000;

/** The first filled cells: most columns show in a few what they are not. */
const firstOf = ({ cells }: Column): string[] => {
  const found: string[] = [];
  for (let row = 0; row < cells.length && found.length < 20; row++) {
    const text = textAt(cells, row);
    if (text !== '') found.push(text);
  }
  return found;
};

function isCalendar(column: Column): boolean {
  const first = firstOf(column);
  if (first.filter((t) => /^\d{4}$/.test(t) || isDate(t)).length < first.length / 2) return false;
  const texts = column.cells
    .slice(0, looked)
    .map((c) => c.trim())
    .filter((c) => c !== '');
  if (texts.length < 2) return false;
  const seen = look({ name: column.name, unit: column.unit, cells: texts });
  if (holdsYears(seen)) return calendarName.test(column.name) || runs(seen);
  // With a unit of time "5:12" is how long, not when.
  return seen.kind === 'dates';
}

/** Days and years beside readings. */
export function calendar(table: Table): TableDoubt[] {
  return table.columns.flatMap((column): TableDoubt[] => {
    if (
      column.formula ||
      !columnsOf(table, 'measure').some((c) => c !== column) ||
      isSettled(table, 'calendar', column.id)
    )
      return [];
    if (column.role !== 'label' && column.role !== 'group' && column.role !== 'measure') return [];
    if (!isCalendar(column)) return [];
    const taken = { label: 'is a label', group: 'names groups', measure: 'is read as a measurement' }[column.role];
    // What a person says it is, is not asked again.
    const said = settle(table, 'calendar', column.id);
    const mends: Mend[] = [];
    if (column.role !== 'label') mends.push({ label: 'It is a label', edits: become(column, 'label', [said]) });
    if (column.role !== 'group')
      mends.push({
        label: 'It names groups',
        edits: become(column, 'group', [
          ...(columnsAreGroups(table) ? [{ kind: 'describe-table', shape: 'rows' } satisfies TableEdit] : []),
          said,
        ]),
      });
    if (column.role !== 'measure') mends.push({ label: 'It was measured', edits: become(column, 'measure', [said]) });
    const which = columnsAreGroups(table) && column.role === 'measure' ? 'is a group of its own' : taken;
    return [
      {
        code: 'calendar',
        text: `“${called(column)}” holds ${readColumn(column).used.length > 0 ? 'years' : 'dates'} and ${which}.`,
        where: [],
        mends: [...mends, asItIs(table, 'calendar', 'That is right', column.id)],
      },
    ];
  });
}

/** 1, 2, 3 … beside readings. */
export function runningNumber(table: Table): TableDoubt[] {
  return table.columns.flatMap((column): TableDoubt[] => {
    if (
      column.formula ||
      (column.role !== 'label' && column.role !== 'measure') ||
      isSettled(table, 'running-number', column.id)
    )
      return [];
    if (!columnsOf(table, 'measure').some((c) => c !== column)) return [];
    if (!firstOf(column).every((t) => /^\d+$/.test(t))) return [];
    const cells = column.cells.slice(0, looked).filter((c) => c.trim() !== '');
    const seen = look({ name: column.name, unit: column.unit, cells });
    if (
      column.unit !== '' ||
      (variableIn(column.name) !== undefined && !numberName.test(column.name)) ||
      calendarName.test(column.name) ||
      holdsYears(seen)
    )
      return [];
    if (!runs(seen) && !(column.role === 'label' && numberName.test(column.name) && seen.whole && seen.unique))
      return [];
    const ends = readColumn({ ...column, role: 'measure' }).used.map((r) => r.value);
    const [first, last] = [leastOf(ends), mostOf(ends)];
    const subject = become(
      column,
      'subject',
      table.shape === 'columns' && columnsOf(table, 'measure').length > 1
        ? [{ kind: 'describe-table', shape: 'repeated' }]
        : [],
    );
    const name = called(column, 'The first column');
    return [
      {
        code: 'running-number',
        text: `“${name}” ${runs(seen) ? `counts ${first} to ${last}` : 'holds numbers that never come twice'}: ${column.role === 'label' ? 'taken as a running number, not as a reading or a subject' : 'it looks like a running number, and is read as a measurement'}.`,
        where: [],
        mends: [
          { label: 'It says who each row is', edits: subject },
          ...(column.role === 'measure'
            ? [{ label: 'It is a label', edits: become(column, 'label', [settle(table, 'running-number', column.id)]) }]
            : []),
          asItIs(table, 'running-number', column.role === 'label' ? 'It is a label' : 'It was measured', column.id),
        ],
      },
    ];
  });
}
