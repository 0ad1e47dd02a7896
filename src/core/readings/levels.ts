import { nth } from '../numeric/nth';
import { besideKind } from './beside';
import { inOrder } from './level-order';
import { placesOf, sizesOf } from './places';
import type { Column, Level } from './table';

interface Read {
  levels: Level[];
  rows: Int32Array;
}
const known = new WeakMap<Column, Read>();

/** Groups whose names have an order, in it; but a group a row stands where its author put it. */
const natural = (names: readonly string[], rows: number): Level[] =>
  names.length < rows ? (inOrder(names) ?? []).map((name) => ({ id: name.slice(0, 200), name })) : [];

function read(column: Column): Read {
  const before = known.get(column);
  if (before) return before;
  const { of, names } = placesOf(column.cells);
  const levels: Level[] = [...(column.levels ?? natural(names, of.filter((place) => place >= 0).length))];
  const places = new Map(levels.map((level, i) => [level.name, i]));
  const asides = Object.keys(column.aside).length > 0;
  /** The group of each name, as they first appear. */
  const groups: number[] = [];
  const rows = of.map((place, row) => {
    // "Total" and "mean" under the groups are none.
    if (place < 0 || (asides && besideKind(column.aside[row]))) return -1;
    const name = nth(names, place);
    // A group nobody has named otherwise goes by its text.
    return (groups[place] ??= places.get(name) ?? levels.push({ id: name.slice(0, 200), name }) - 1);
  });
  const result = { levels, rows };
  known.set(column, result);
  return result;
}

/** The groups of a group column: those put in order first, else as their names go, else as they first appear in the cells. */
export const levelsOf = (column: Column): Level[] => read(column).levels;

/** A group's name as it is said: a bare number carries its column's unit, "9 °C". */
export const displayName = (name: string, { unit }: Pick<Column, 'unit'>): string =>
  unit !== '' && /^[+−-]?\d[\d.,]*$/.test(name) ? `${name} ${unit}` : name;

/** The groups of a group column by the names they go by in answers. */
export const displayLevels = (column: Column): Level[] =>
  levelsOf(column).map((level) => ({ ...level, name: displayName(level.name, column) }));

/** How many rows each group has. */
export const levelSizes = (column: Column): Int32Array => {
  const { rows, levels } = read(column);
  return sizesOf(rows, levels.length);
};

/** For each row the place of its group among `levelsOf`, −1 where the cell is empty. */
export const levelRows = (column: Column): Int32Array => read(column).rows;
