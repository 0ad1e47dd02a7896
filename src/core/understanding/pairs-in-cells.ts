/**
 * Two figures in each cell, "31:9" under "brown:green" or "120/80" under "systolic/diastolic": a column for each name;
 * "29.2 → 35.7" from before to after, and "120/80" of a blood pressure.
 */
import { textAt } from '../readings/cell-at';
import { nth } from '../numeric/nth';
import type { Worked } from './limits-apart';
import type { Incoming } from './seen';
import { splitUnit } from '../readings/units';
import { outOfName } from './vocabulary';

const marks = [':', '/', '|', '–'] as const;
const figure = String.raw`\s*[+−-]?\d+(?:[.,]\d+)?\s*`;

/** The two columns that a column of such cells holds; undefined of any other. */
function partedBy(mark: (typeof marks)[number], { name, unit, cells }: Incoming): Incoming[] | undefined {
  const names = name.split(mark).map((part) => part.trim());
  const [first = '', second = ''] = names;
  if (names.length !== 2 || names.some((part) => !/^\p{L}[\p{L} .-]*$/u.test(part))) return undefined;
  // "settled/total" says how many of how many, and "length/mm" a unit.
  if (outOfName.test(second) || (mark === '/' && splitUnit(name).unit !== '')) return undefined;
  const pattern = new RegExp(`^(${figure})${mark === '|' ? String.raw`\|` : mark}(${figure})$`, 'u');
  const parts = cells.map((cell) => (cell.trim() === '' ? [] : pattern.exec(cell)));
  if (parts.length < 2 || parts.includes(null)) return undefined;
  return [first, second].map((own, i) => ({
    name: own,
    unit,
    cells: parts.map((part) => textAt(part ?? undefined, i + 1)),
  }));
}

/** Names of both figures where the head has one for them, and what parts them. */
const ofOneName: readonly { mark: RegExp; head: RegExp; names: readonly [string, string] }[] = [
  { mark: /\s*(?:→|⟶|[-=]>)\s*/u, head: /^/u, names: ['before', 'after'] },
  { mark: /\//u, head: /^bp\b|blood pressure/iu, names: ['systolic', 'diastolic'] },
];

/** The two columns of cells whose head says what both are of; undefined of any other. */
function partedUnderOne({ name, unit, cells }: Incoming): Incoming[] | undefined {
  const filled = cells.filter((cell) => cell.trim() !== '');
  if (filled.length < 2) return undefined;
  for (const { mark, head, names } of ofOneName) {
    const parts = (cell: string): string[] => (cell.trim() === '' ? ['', ''] : cell.trim().split(mark));
    const isPair = (cell: string): boolean =>
      parts(cell).length === 2 && parts(cell).every((part) => new RegExp(`^${figure}$`, 'u').test(part));
    if (!head.test(name) || !filled.every(isPair)) continue;
    return names.map((own, i) => ({
      name: `${name} ${own}`.trim(),
      unit,
      cells: cells.map((cell) => nth(parts(cell), i)),
    }));
  }
  return undefined;
}

/** Columns with those parted that hold two figures a cell under the names of both. */
export function pairsInCells(columns: readonly Incoming[]): Worked {
  const notes: string[] = [];
  const apart = columns.flatMap((column) => {
    const parted = partedUnderOne(column) ?? marks.map((mark) => partedBy(mark, column)).find(Boolean);
    if (parted) notes.push(`“${column.name}” was parted into ${parted.map((p) => `“${p.name}”`).join(' and ')}.`);
    return parted ?? [column];
  });
  return { columns: apart, notes };
}
