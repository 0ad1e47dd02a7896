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
  known.set(column, found);
  return found;
}
