import { besideKind } from './beside';
import type { Column, Level } from './table';

interface Read {
  levels: Level[];
  rows: Int32Array;
}
const known = new WeakMap<Column, Read>();

function read(column: Column): Read {
  const before = known.get(column);
  if (before) return before;
  const levels: Level[] = [...(column.levels ?? [])];
  const places = new Map(levels.map((level, i) => [level.name, i]));
  const rows = new Int32Array(column.cells.length).fill(-1);
  column.cells.forEach((cell, row) => {
    const name = cell.trim();
    // "Total" and "mean" under the groups are none.
    if (name === '' || besideKind(column.aside[row])) return;
    let place = places.get(name);
    if (place === undefined) {
      place = levels.length;
      places.set(name, place);
      // A group nobody has named otherwise goes by its text.
      levels.push({ id: name.slice(0, 200), name });
    }
    rows[row] = place;
  });
  const result = { levels, rows };
  known.set(column, result);
  return result;
}

/** The groups of a group column: those put in order first, then the others as they first appear in the cells. */
export const levelsOf = (column: Column): Level[] => read(column).levels;

/** A group's name as it is said: a bare number carries its column's unit, "9 °C". */
export const displayName = (name: string, { unit }: Pick<Column, 'unit'>): string =>
  unit !== '' && /^[+−-]?\d[\d.,]*$/.test(name) ? `${name} ${unit}` : name;

/** The groups of a group column by the names they go by in answers. */
export const displayLevels = (column: Column): Level[] =>
  levelsOf(column).map((level) => ({ ...level, name: displayName(level.name, column) }));

/** For each row the place of its group among `levelsOf`, −1 where the cell is empty. */
export const levelRows = (column: Column): Int32Array => read(column).rows;
