import { placeLetters } from './place-letters';
import { cellAt } from './cell-at';

/** A part of a sheet: rows and columns from 0, ends included. */
export interface Area {
  top: number;
  left: number;
  bottom: number;
  right: number;
}

const filled = (text: string | undefined): boolean => text !== undefined && text.trim() !== '';

/** Runs of consecutive indices that hold something. */
function runs(n: number, holds: (i: number) => boolean): [number, number][] {
  const found: [number, number][] = [];
  for (let i = 0; i < n; i++) {
    if (!holds(i)) continue;
    const last = found.at(-1);
    if (last?.[1] === i - 1) last[1] = i;
    else found.push([i, i]);
  }
  return found;
}

const isNumber = (text: string): boolean => /^\s*[<>]?\s*[+−-]?[\d.,]*\d\s*%?\s*$/.test(text);

/** Whether a block begins as the one above it ended: numbers under numbers in every column, no names of its own. */
function goesOn(rows: readonly (readonly string[])[], above: Area, area: Area): boolean {
  const [last, first] = [rows[above.bottom], rows[area.top]];
  for (let c = area.left; c <= area.right; c++) {
    const [over, under] = [cellAt(last, c), cellAt(first, c)];
    if (filled(over) && filled(under) && isNumber(over) !== isNumber(under)) return false;
  }
  return first?.slice(area.left, area.right + 1).some((text) => filled(text) && isNumber(text)) ?? false;
}

/**
 * The blocks of a sheet: what whole empty rows, and then whole empty columns, part from one another. The largest comes
 * first. A single row that names the columns below it belongs to them, and so do a few empty lines within readings of
 * the same columns.
 */
export function blocksOf(rows: readonly (readonly string[])[]): Area[] {
  let width = 0;
  for (const row of rows) width = Math.max(width, row.length);
  const areas: Area[] = [];
  for (const [top, bottom] of runs(rows.length, (r) => rows[r]?.some(filled) ?? false)) {
    const holds = new Array<boolean>(width).fill(false);
    for (let r = top; r <= bottom; r++) rows[r]?.forEach((cell, c) => (holds[c] ||= filled(cell)));
    for (const [left, right] of runs(width, (c) => holds[c] ?? false)) areas.push({ top, bottom, left, right });
  }
  const joined: Area[] = [];
  // The block last seen in the same columns: only the one right above can go on.
  const lastIn = new Map<string, Area>();
  for (const area of areas) {
    const columns = `${area.left} ${area.right}`;
    const above = lastIn.get(columns);
    const gap = above ? area.top - above.bottom : 0;
    if (above && area.right > area.left && (gap === 2 || (gap > 2 && gap <= 4 && goesOn(rows, above, area))))
      above.bottom = area.bottom;
    else {
      const own = { ...area };
      joined.push(own);
      lastIn.set(columns, own);
    }
  }
  const size = (a: Area): number => (a.bottom - a.top + 1) * (a.right - a.left + 1);
  return joined.sort((a, b) => size(b) - size(a));
}

/** The whole of a sheet that holds anything. */
export function wholeOf(rows: readonly (readonly string[])[]): Area {
  const whole: Area = { top: Infinity, left: Infinity, bottom: -1, right: -1 };
  rows.forEach((row, r) =>
    row.forEach((cell, c) => {
      if (!filled(cell)) return;
      whole.top = Math.min(whole.top, r);
      whole.left = Math.min(whole.left, c);
      whole.bottom = Math.max(whole.bottom, r);
      whole.right = Math.max(whole.right, c);
    }),
  );
  return whole.bottom < 0 ? { top: 0, left: 0, bottom: -1, right: -1 } : whole;
}

/** "B2 to E40": an area by its corners, rows from 1. */
export const areaName = (a: Area): string =>
  `${placeLetters(a.left)}${a.top + 1} to ${placeLetters(a.right)}${a.bottom + 1}`;

/** The cells of an area, made rectangular. */
export function cut(rows: readonly (readonly string[])[], { top, left, bottom, right }: Area): (readonly string[])[] {
  const width = right - left + 1;
  return rows.slice(top, bottom + 1).map((row) => {
    if (left === 0 && row.length === width) return row;
    const cells = row.slice(left, right + 1);
    while (cells.length < width) cells.push('');
    return cells;
  });
}
