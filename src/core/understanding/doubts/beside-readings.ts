/** Rows and columns that sum up the others. */
import { besideReasons, besideRows } from '../../readings/beside';
import { type Column, type Table, called, columnsOf, isMeasured } from '../../readings/table';
import { sumColumn } from '../sums';
import { summaryRows } from '../summary-rows';
import { type TableDoubt, isSettled, some } from './doubt';

const filled = (c: Column, row: number): boolean => (c.cells[row] ?? '').trim() !== '';

/** What a row is called: its first text, or its place. */
function rowName(table: Table, row: number): string {
  const text = table.columns.find((c) => !isMeasured(c.role) && filled(c, row))?.cells[row]?.trim();
  return text ? `row ${row + 1}, “${text}”` : `row ${row + 1}`;
}

/** Rows that were left out because they sum up the others, and rows that look so and are counted. */
export function summedRows(table: Table): TableDoubt[] {
  const own = table.columns.filter((c) => !c.formula);
  const measured = own.filter((c) => isMeasured(c.role));
  const marked = besideRows(own);
  const found: TableDoubt[] = [];
  for (const [kind, code] of [
    ['total', 'total-row'],
    ['summary', 'summary-row'],
  ] as const) {
    const rows = [...marked].flatMap(([row, is]) => (is === kind ? [row] : [])).sort((a, b) => a - b);
    if (rows.length === 0 || isSettled(table, code)) continue;
    const [total] = kind === 'total' ? summaryRows(table.columns).filter((f) => f.row === rows[0]) : [];
    const what =
      kind === 'summary'
        ? `${rows.length === 1 ? 'sums up' : 'sum up'} the readings above and ${rows.length === 1 ? 'is' : 'are'} not counted`
        : total?.exact === false
          ? 'is called a total, is not the sum of the others, and is not counted'
          : 'is the sum of the others and is not counted';
    const first = some(rows.map((row) => rowName(table, row)));
    found.push({
      code,
      text: `${first[0]?.toUpperCase() ?? ''}${first.slice(1)}, ${what}.`,
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
  for (const { row, kind, exact } of summaryRows(table.columns)) {
    const code = kind === 'total' ? 'total-row' : 'summary-row';
    const cells = own.filter((c) => filled(c, row) && c.aside[row] === undefined);
    if (isSettled(table, code) || cells.length === 0) continue;
    const name = rowName(table, row);
    found.push({
      code,
      text: `${name[0]?.toUpperCase() ?? ''}${name.slice(1)}, ${kind === 'total' ? (exact ? 'is the sum of the others' : 'is called a total') : 'looks like a summary of the readings above'}, and is counted with them.`,
      where: cells.slice(0, 1).map((c) => ({ column: c.id, row, called: `row ${row + 1}` })),
      mends: [
        {
          label: 'Leave it out',
          edits: [{ kind: 'set-aside', cells: cells.map((c) => ({ column: c.id, row, reason: besideReasons[kind] })) }],
        },
        {
          label: 'It is a reading',
          edits: [{ kind: 'describe-table', settled: { ...table.settled, [code]: 'counted' } }],
        },
      ],
    });
  }
  return found;
}

/** A column that holds the totals of the counts beside it. */
export function totalColumn(table: Table): TableDoubt[] {
  if (table.shape !== 'counts' || isSettled(table, 'total-column')) return [];
  const counts = columnsOf(table, 'count');
  const left = table.columns.find((c) => c.role === 'label' && counts.length > 1 && sumColumn([...counts, c]) === c);
  if (left)
    return [
      {
        code: 'total-column',
        text: `“${called(left)}” is the sum of the columns beside it and is not counted.`,
        where: [],
        mends: [
          {
            label: 'Count it',
            edits: [
              { kind: 'describe-column', column: left.id, role: 'count' },
              { kind: 'describe-table', settled: { ...table.settled, 'total-column': 'counted' } },
            ],
          },
        ],
      },
    ];
  const total = sumColumn(counts);
  return total
    ? [
        {
          code: 'total-column',
          text: `“${called(total)}” is the sum of the columns beside it, and is counted as a category of its own.`,
          where: [],
          mends: [
            { label: 'Leave it out', edits: [{ kind: 'describe-column', column: total.id, role: 'label' }] },
            {
              label: 'It is a category',
              edits: [{ kind: 'describe-table', settled: { ...table.settled, 'total-column': 'counted' } }],
            },
          ],
        },
      ]
    : [];
}
