/** A table of an answer on the clipboard: for a spreadsheet and a document alike. */
import type { Interval } from '../core/procedures/interval';
import { type Cell, type ResultTable, type TextTable, asText } from '../core/words/tables/result-table';
import { type Text, plain } from '../core/words/text';
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

const ends = ['lower', 'upper'] as const;
const endsOf = (cell: Text): Text[] => {
  const [low = '', high = ''] = plain(cell).split(' to ');
  return [[readable(low)], [readable(high)]];
};

/** The table with each end of an interval in a cell of its own and every number as a spreadsheet reads it. */
export function spreadsheetTable(table: ResultTable): TextTable {
  const whole = asText(table);
  const intervalIn = (i: number, j: number): boolean => isInterval(table.rows[i]?.cells[j - 1]?.value);
  // Intervals below one another make two columns; beside one another, where figures stand down, two rows.
  const split = whole.head.map((_, j) => !table.turned && whole.rows.some((_, i) => intervalIn(i, j)));
  const named = (head: Text): Text[] => ends.map((end) => [...head, `: ${end}`]);
  return {
    ...whole,
    head: whole.head.flatMap((head, j) => (split[j] ? named(head) : [head])),
    rows: whole.rows.flatMap((row, i): Text[][] => {
      const [head = [], ...cells] = row;
      if (table.turned && cells.some((_, j) => intervalIn(i, j + 1)))
        return named(head).map((name, end) => [name, ...cells.map((cell) => endsOf(cell)[end] ?? [])]);
      return [[head, ...cells.flatMap((cell, j) => (split[j + 1] ? endsOf(cell) : [[readable(plain(cell))]]))]];
    }),
  };
}

/** The same as rich text and as tab-separated text. */
export function copiedTable(table: ResultTable): { plain: string; html: string } {
  const sheet = spreadsheetTable(table);
  return {
    plain: [
      sheet.title,
      ...[sheet.head, ...sheet.rows].map((r) => r.map(plain).join('\t')),
      ...(sheet.notes ?? []),
    ].join('\n'),
    html: htmlTable(sheet),
  };
}
