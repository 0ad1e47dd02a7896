/** Readings in another unit. */
import { DomainError, demand } from '../numeric/domain-error';
import { decimalMarkOf, limitIn } from './parse-number';
import { readColumn } from './read-column';
import type { TableEdit } from './table-edit';
import type { Column } from './table';
import { conversion } from './units';

/** A number as it is typed, without the dust of a multiplication. */
const typed = (value: number): string => String(Number(value.toPrecision(12)));

/** The edits that give a column's readings in another unit of the same kind. @throws DomainError where the units differ in kind */
export function convertEdits(column: Column, to: string): TableEdit[] {
  const factor = conversion(column.unit, to);
  if (factor === undefined)
    throw new DomainError(`${column.unit || 'No unit'} and ${to || 'no unit'} do not measure the same thing.`);
  demand(!column.formula, 'A computed column cannot be converted: convert the columns it is computed from.');
  const { used, aside } = readColumn(column);
  const mark = column.decimal === 'auto' ? decimalMarkOf(column.cells, column.unit) : column.decimal;
  const values = new Map([...used, ...aside].flatMap(({ row, value }) => (value === undefined ? [] : [[row, value]])));
  const comma = column.decimal === 'comma';
  const texts = column.cells.map((text, row) => {
    // Of a reading beyond a limit the limit is converted, whatever it counts as.
    const limit = limitIn(text, column.unit, mark);
    const value = limit?.value ?? values.get(row);
    if (value === undefined) return [text];
    const converted = typed(value * factor);
    return [`${limit?.sign ?? ''}${comma ? converted.replace('.', ',') : converted}`];
  });
  return [
    { kind: 'write', row: 0, columns: [column.id], texts },
    { kind: 'describe-column', column: column.id, unit: to },
  ];
}

/** A cell that carries another unit than its column, "1.3 cm" under mm, as its column has it; undefined of any other. */
export function convertedCell(text: string, unit: string): string | undefined {
  const [, number = '', own = ''] = /^\s*([+−-]?\d*[.,]?\d+)\s*([^\d\s.,].*?)\s*$/u.exec(text) ?? [];
  const value = Number(number.replace(',', '.').replace('−', '-'));
  const factor = own && own !== unit ? conversion(own, unit) : undefined;
  return factor === undefined || number === '' || !Number.isFinite(value) ? undefined : typed(value * factor);
}
