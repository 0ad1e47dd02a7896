import { besideKind } from './beside';
import { textAt } from './cell-at';
import { type Understood, decimalMarkOf, plainlyRead, understand } from './parse-number';
import { percentage, shareCell } from './share-cell';
import type { Column, LimitRule } from './table';

/** A reading: its row in the table (from 0) and its number. */
export interface Reading {
  row: number;
  value: number;
  /** How it was got from a limit, where the cell gives no more than that. */
  limited?: LimitRule;
  /** The rows averaged, where it stands for several. */
  rows?: number[];
}

/** A column's cells, sorted by what became of them. Nothing is lost: every cell that is not empty is in
 * one list, but for totals and summaries, which are no readings. */
export interface ColumnReadings {
  used: Reading[];
  /** Set aside, with the reason; the number where the text was one. */
  aside: { row: number; text: string; reason: string; value: number | undefined }[];
  /** Text that is no number, and why. */
  unread: { row: number; text: string; why: string }[];
}

const known = new WeakMap<Column, ColumnReadings>();

/** Reads a column's cells as numbers. Columns are immutable, so the result is remembered for as long as the column is. */
export function readColumn(column: Column): ColumnReadings {
  const before = known.get(column);
  if (before) return before;
  const mark = column.decimal === 'auto' ? decimalMarkOf(column.cells, column.unit) : column.decimal;
  const readings: ColumnReadings = { used: [], aside: [], unread: [] };
  const asides = Object.keys(column.aside).length > 0;
  column.cells.forEach((text, row) => {
    const plain = plainlyRead(text, mark);
    if (!Number.isNaN(plain) && !(asides && column.aside[row] !== undefined)) {
      readings.used.push({ row, value: plain });
      return;
    }
    // "18 of 45" and "40 %" are counts where counts are asked.
    const share = column.role === 'count' ? (shareCell(text)?.count ?? percentage(text)) : undefined;
    const understood: Understood =
      text === ''
        ? { kind: 'empty' }
        : share === undefined
          ? understand(text, column.unit, mark, column.limits)
          : { kind: 'number', value: share };
    const reason = column.aside[row];
    if (understood.kind === 'empty') return;
    const value = understood.kind === 'number' ? understood.value : undefined;
    // Totals and summaries are no readings, so they are not set aside either.
    if (besideKind(reason)) return;
    if (reason !== undefined) readings.aside.push({ row, text, reason, value });
    else if (understood.kind === 'number') {
      const { value: number, limited } = understood;
      readings.used.push({ row, value: number, ...(limited ? { limited } : {}) });
    } else readings.unread.push({ row, text, why: understood.why });
  });
  known.set(column, readings);
  return readings;
}

/** A column's cells that were set aside, with the reason; totals and summaries are none. */
export const cellsAside = ({ aside, cells }: Column): { row: number; text: string; reason: string }[] =>
  Object.entries(aside).flatMap(([place, reason]) => {
    const [row, text] = [Number(place), textAt(cells, Number(place))];
    return text === '' || besideKind(reason) ? [] : [{ row, text, reason }];
  });

const unreadCells = new WeakMap<Column, Map<number, string>>();

/** Rows whose text is no number, each with why. */
export function unreadRows(column: Column): Map<number, string> {
  const before = unreadCells.get(column);
  if (before) return before;
  const rows = new Map(readColumn(column).unread.map((cell) => [cell.row, cell.why]));
  unreadCells.set(column, rows);
  return rows;
}
