import { decimalMarkOf, understand } from './parse-number';
import type { Column } from './table';

/** A cell whose text is not plainly what it was taken for. */
export interface Doubt {
  /** Row in the column, from 0. */
  row: number;
  text: string;
  /** The number it became, as text; undefined where it is kept as typed and left out of answers. */
  became: string | undefined;
  why: string;
}

const plain = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i;
const commaNumber = /^[+-]?(\d+,?\d*|,\d+)(e[+-]?\d+)?$/i;

const known = new WeakMap<Column, Doubt[]>();

/** The cells of a column of numbers that are read otherwise than they stand, or not at all. */
export function doubtsOf(column: Column): Doubt[] {
  const before = known.get(column);
  if (before) return before;
  const mark = column.decimal === 'auto' ? decimalMarkOf(column.cells, column.unit) : column.decimal;
  // Plain numbers, and decimal commas in a column of them, are no cause for doubt.
  const certain = mark === 'comma' ? commaNumber : plain;
  const found: Doubt[] = [];
  column.cells.forEach((text, row) => {
    const tidy = text.trim();
    if (tidy === '' || certain.test(tidy)) return;
    const understood = understand(text, column.unit, mark, column.limits);
    if (understood.kind === 'number')
      found.push({ row, text, became: String(understood.value), why: 'read as this number' });
    else if (understood.kind === 'unread')
      found.push({ row, text, became: undefined, why: `${understood.why}, kept as typed and left out of answers` });
  });
  // What most cells are written as, "12 mm" or "5:12", is the column's way of writing; marks between digits may be misread.
  const isOwnWay = ({ became, text }: Doubt): boolean => became !== undefined && /[^\d.,\s'’+−-]/u.test(text.trim());
  const filled = column.cells.filter((text) => text.trim() !== '').length;
  const left = 2 * found.filter(isOwnWay).length > filled ? found.filter((doubt) => !isOwnWay(doubt)) : found;
  known.set(column, left);
  return left;
}
