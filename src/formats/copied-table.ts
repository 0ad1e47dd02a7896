/** A table of an answer on the clipboard: for a spreadsheet and a document alike. */
import type { Interval } from '../core/procedures/interval';
import { type Cell, type ResultTable, type TextTable, headingOf } from '../core/words/tables/result-table';
import { plain } from '../core/words/text';
import { htmlTable } from './html-document';

const isInterval = (value: Cell['value']): value is Interval => typeof value === 'object';

/** A number as a spreadsheet reads it: a plain minus sign, powers of ten with an e. */
function readable(text: string): string {
  const number = /^(−?)([\d.]+)(?: × 10([⁻⁰¹²³⁴⁵⁶⁷⁸⁹]+))?$/.exec(text);
  if (!number) return text === '–' ? '' : text;
  const [, sign, digits = '', power] = number;
  const exponent = power && Array.from(power, (c) => '⁰¹²³⁴⁵⁶⁷⁸⁹'.indexOf(c)).map((d) => (d < 0 ? '-' : d));
  return `${sign ? '-' : ''}${digits}${exponent ? `e${exponent.join('')}` : ''}`;
}

/** The table with each end of an interval in a cell of its own and every number as a spreadsheet reads it. */
export function spreadsheetTable({ title, columns, rows, notes }: ResultTable): TextTable {
  const [head, ...rest] = columns;
  const split = rest.map((_, j) => rows.some((row) => isInterval(row.cells[j]?.value)));
  return {
    title,
    head: [
      headingOf(head),
      ...rest.flatMap((c, j) => (split[j] ? [`${headingOf(c)}: lower`, `${headingOf(c)}: upper`] : headingOf(c))),
    ],
    rows: rows.map((row) => [
      `${plain(row.head)}${row.section === undefined ? '' : `, ${row.section}`}`,
      ...row.cells.flatMap(({ text }, j) => {
        if (!split[j]) return readable(text);
        const [low = '', high = ''] = text.split(' to ');
        return [readable(low), readable(high)];
      }),
    ]),
    notes: notes.map(plain),
  };
}

/** The same as rich text and as tab-separated text. */
export function copiedTable(table: ResultTable): { plain: string; html: string } {
  const sheet = spreadsheetTable(table);
  return {
    plain: [sheet.title, ...[sheet.head, ...sheet.rows].map((r) => r.join('\t')), ...(sheet.notes ?? [])].join('\n'),
    html: htmlTable(sheet),
  };
}
