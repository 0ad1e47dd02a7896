/** Signs behind numbers that tell what a test made of them, "25.3***", or which do not differ, "20.1 a": a column of their own. */
import { cellAt } from '../readings/cell-at';
import { sum } from 'd3-array';
import type { Worked } from './limits-apart';
import type { Incoming } from './seen';
import { meanName } from './vocabulary';

const number = String.raw`\s*([+−-]?[\d.,]*\d)`;
const starred = new RegExp(String.raw`^${number}\s*(\*{1,4}|[†‡§¶]{1,3})?\s*$`, 'u');
const lettered = new RegExp(String.raw`^${number}\s*([a-f]{1,4})\s*$`, 'u');
/** A cell without the stars or daggers behind its number. */
export const withoutSign = (cell: string): string => starred.exec(cell)?.[1] ?? cell;

/** Rows there are at most: a long table is an instrument's. */
const most = 1000;

/** The numbers of a column and the signs behind them; undefined where there are none. */
function parted({ name, cells }: Incoming, pattern: RegExp, suits: (signs: Set<string>) => boolean) {
  const found = cells.map((cell) => (cell.trim() === '' ? ['', '', ''] : pattern.exec(cell)));
  if (found.includes(null)) return undefined;
  const part = (k: number): string[] => found.map((parts) => cellAt(parts ?? undefined, k));
  const [numbers, signs] = [part(1), part(2)];
  // A part of a number among whole ones is a slip, whatever stands behind it.
  const areParts = (signed: boolean): boolean =>
    numbers.some((text, row) => /[.,]/.test(text) && (signs[row] !== '') === signed);
  if (signs.includes('') && areParts(true) && !areParts(false)) return undefined;
  return suits(new Set(signs.filter((sign) => sign !== '')))
    ? { numbers, signs: { name: `sign of ${name || 'number'}`, unit: '', cells: signs } }
    : undefined;
}

/** Columns with the signs behind their numbers beside them; one letter behind all numbers is their unit. */
export function signsBehind(columns: readonly Incoming[]): Worked {
  const notes: string[] = [];
  if ((columns[0]?.cells.length ?? 0) > most) return { columns: [...columns], notes };
  const beside: Incoming[] = [];
  const signsOf = ({ cells }: Incoming): number => cells.filter((cell) => starred.exec(cell)?.[2] !== undefined).length;
  const alone = sum(columns, signsOf) === 1;
  const numbers = columns.map((column) => {
    // One cell with a star may be in doubt itself, and is told as unread; a mean is not.
    if (alone && signsOf(column) === 1 && !meanName.test(column.name)) return column;
    const found =
      parted(column, starred, (signs) => signs.size > 0) ??
      parted(column, lettered, (signs) => signs.size > 1 && [...signs].some((sign) => sign.includes('a')));
    if (!found) return column;
    beside.push(found.signs);
    const seen = [...new Set(found.signs.cells.filter((sign) => sign !== ''))];
    notes.push(
      `Signs behind the numbers of “${column.name || 'a column'}” (${seen.slice(0, 4).join(', ')}) stand in a column of their own.`,
    );
    return { ...column, cells: found.numbers };
  });
  return { columns: [...numbers, ...beside], notes };
}
