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

/** The table with each end of an interval in a cell of its own and every number as a spreadsheet reads it. */
export function spreadsheetTable(table: ResultTable): TextTable {
  const whole = asText(table);
  const split = table.columns.map((_, j) => j > 0 && table.rows.some((row) => isInterval(row.cells[j - 1]?.value)));
  return {
    ...whole,
    head: whole.head.flatMap((head, j): Text[] =>
      split[j]
        ? [
            [...head, ': lower'],
            [...head, ': upper'],
          ]
        : [head],
    ),
    rows: whole.rows.map((row) =>
      row.flatMap((cell, j): Text[] => {
        if (j === 0) return [cell];
        if (!split[j]) return [[readable(plain(cell))]];
        const [low = '', high = ''] = plain(cell).split(' to ');
        return [[readable(low)], [readable(high)]];
      }),
    ),
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
