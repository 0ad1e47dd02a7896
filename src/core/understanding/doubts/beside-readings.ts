/** Rows and columns that sum up the others. */
import { type Beside, besideReasons, besideRows } from '../../readings/beside';
import { type Column, type Table, called, columnsOf, isMeasured } from '../../readings/table';
import { sentenceCase } from '../../readings/counted';
import type { TableEdit } from '../../readings/table-edit';
import { sumColumn } from '../sums';
import { rowsBeside } from '../rows-beside';
import { summaryRows } from '../summary-rows';
import { type How, workedOut } from '../worked-out';
import { type DoubtCode, type TableDoubt, isSettled, some } from './doubt';
import { textAt } from '../../readings/cell-at';

const filled = (c: Column, row: number): boolean => textAt(c.cells, row) !== '';

/** What a row is called: its first text, or its place. */
function rowName(table: Table, row: number): string {
  const text = table.columns.find((c) => !isMeasured(c.role) && filled(c, row))?.cells[row]?.trim();
  return text ? `row ${row + 1}, “${text}”` : `row ${row + 1}`;
}

/** What is said of each kind of such rows where they are left out, of one or of several, and where one is counted. */
const rowWords: Record<
  Beside,
  { code: DoubtCode; left: (one: boolean, exact: boolean) => string; counts: (exact: boolean) => string; yes: string }
> = {
  total: {
    code: 'total-row',
    left: (_, exact) =>
      exact
        ? 'is the sum of the others and is not counted'
        : 'is called a total, is not the sum of the others, and is not counted',
    counts: (exact) => `${exact ? 'is the sum of the others' : 'is called a total'}, and is counted with them`,
    yes: 'It is a reading',
  },
  summary: {
    code: 'summary-row',
    left: (one) =>
      one ? 'sums up the readings above and is not counted' : 'sum up the readings above and are not counted',
    counts: () => 'looks like a summary of the readings above, and is counted with them',
    yes: 'It is a reading',
  },
  twice: {
    code: 'row-twice',
    left: (one) =>
      one
        ? 'is in every cell the same as a row above, and is not counted again'
        : 'are in every cell the same as rows above, and are not counted again',
    counts: () => 'is in every cell the same as a row above, and both are counted',
    yes: 'Count both',
  },
};
const rowKinds = Object.keys(rowWords) as Beside[];

/** Rows that were left out because they sum up the others or stand twice, and rows that look so and are counted. */
export function summedRows(table: Table): TableDoubt[] {
  const own = table.columns.filter((c) => !c.formula);
  const measured = own.filter((c) => isMeasured(c.role));
  const marked = besideRows(own);
  const found: TableDoubt[] = [];
  for (const kind of rowKinds) {
    const { code, left } = rowWords[kind];
    const rows = [...marked].flatMap(([row, is]) => (is === kind ? [row] : [])).sort((a, b) => a - b);
    if (rows.length === 0 || isSettled(table, code)) continue;
    const [total] = kind === 'total' ? summaryRows(table.columns).filter((f) => f.row === rows[0]) : [];
    const first = some(rows.map((row) => rowName(table, row)));
    found.push({
      code,
      text: `${sentenceCase(first)}, ${left(rows.length === 1, total?.exact ?? true)}.`,
      where: measured.slice(0, 1).flatMap((c) => rows.map((row) => ({ column: c.id, row, called: `row ${row + 1}` }))),
      mends: [
        {
          label: rows.length === 1 ? 'Count it' : 'Count them',
          edits: [
            {
              kind: 'set-aside',
              cells: rows.flatMap((row) =>
                own.filter((c) => filled(c, row)).map((c) => ({ column: c.id, row, reason: null })),
              ),
            },
            { kind: 'describe-table', settled: { ...table.settled, [code]: 'counted' } },
          ],
        },
      ],
    });
  }
  if (marked.size > 0) return found;
  for (const { row, kind, exact } of rowsBeside(table.columns)) {
    const { code, counts, yes } = rowWords[kind];
    const cells = own.filter((c) => filled(c, row) && c.aside[row] === undefined);
    if (isSettled(table, code) || cells.length === 0) continue;
    const name = rowName(table, row);
    found.push({
      code,
      text: `${sentenceCase(name)}, ${counts(exact)}.`,
      where: cells.slice(0, 1).map((c) => ({ column: c.id, row, called: `row ${row + 1}` })),
      mends: [
        {
          label: 'Leave it out',
          edits: [{ kind: 'set-aside', cells: cells.map((c) => ({ column: c.id, row, reason: besideReasons[kind] })) }],
        },
        {
          label: yes,
          edits: [{ kind: 'describe-table', settled: { ...table.settled, [code]: 'counted' } }],
        },
      ],
    });
  }
  return found;
}

const howWords: Record<How, string> = {
  sum: 'is the sum of the columns beside it',
  mean: 'is the mean of the columns beside it',
  ratio: 'follows from two of the others as their ratio',
  difference: 'is the difference of two columns beside it',
};

/** A column that follows from those beside it, with what it is then and what it is called where it is counted. */
function following(table: Table): { column: Column; how: How; role: 'count' | 'measure'; as: string } | undefined {
  if (table.shape === 'counts') {
    const counts = columnsOf(table, 'count');
    const isLeft = (c: Column): boolean => c.role === 'label' && counts.length > 1 && sumColumn([...counts, c]) === c;
    const column = table.columns.find(isLeft) ?? sumColumn(counts);
    return column && { column, how: 'sum', role: 'count', as: 'a category' };
  }
  if (!['columns', 'repeated', 'grid'].includes(table.shape)) return undefined;
  const measures = columnsOf(table, 'measure');
  const all = table.columns.filter((c) => !c.formula && (c.role === 'measure' || c.role === 'label'));
  // A label is looked at beside the measures alone: it may be a text or a day.
  const [found] = [measures, ...all.filter((c) => c.role === 'label').map((c) => [...measures, c])].flatMap(
    (columns) => workedOut(columns) ?? [],
  );
  return found && !found.column.formula ? { ...found, role: 'measure', as: 'a group' } : undefined;
}

/** A column that holds the totals, the means, the differences or the ratios of those beside it. */
export function totalColumn(table: Table): TableDoubt[] {
  if (isSettled(table, 'total-column')) return [];
  const found = following(table);
  if (!found) return [];
  const { column, how, role, as } = found;
  const said: TableEdit = { kind: 'describe-table', settled: { ...table.settled, 'total-column': 'counted' } };
  const become = (to: Column['role']): TableEdit => ({ kind: 'describe-column', column: column.id, role: to });
  const isLeft = column.role !== role;
  return [
    {
      code: 'total-column',
      text: `“${called(column)}” ${howWords[how]}${isLeft ? ' and is not counted.' : `, and is counted as ${as} of its own.`}`,
      where: [],
      mends: isLeft
        ? [{ label: 'Count it', edits: [become(role), said] }]
        : [
            { label: 'Leave it out', edits: [become('label')] },
            { label: `It is ${as}`, edits: [said] },
          ],
    },
  ];
}
