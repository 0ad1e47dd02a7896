import { DomainError, demand } from '../numeric/domain-error';
import { columnsAreGroups } from './groups';
import { levelRows, levelsOf } from './levels';
import type { TableEdit } from './table-edit';
import { type Column, type Level, type Table, columnsOf, findColumn, groupLooks } from './table';
import { cellAt } from './cell-at';

const described = (column: Column, levels: readonly Level[]): TableEdit => ({
  kind: 'describe-column',
  column: column.id,
  levels: levels.map((l) => ({ ...l })),
});

/** Writes a column's texts anew where they changed, as one block. */
function rewritten(column: Column, textOf: (row: number, text: string) => string): TableEdit[] {
  const texts = column.cells.map((text, row) => [textOf(row, text)]);
  if (texts.every(([text], row) => text === column.cells[row])) return [];
  return [{ kind: 'write', row: 0, columns: [column.id], texts }];
}

/**
 * Gives a group of a group column another name, in its cells too. A name that another group has already merges the two:
 * their readings are one group then.
 */
export function renameLevelEdits(column: Column, id: string, name: string): TableEdit[] {
  const tidy = name.trim();
  demand(tidy !== '', 'A group needs a name.');
  const levels = levelsOf(column);
  const place = levels.findIndex((l) => l.id === id);
  const rows = levelRows(column);
  const merged = levels.some((l, i) => i !== place && l.name === tidy);
  const next = merged
    ? levels.filter((_, i) => i !== place)
    : levels.map((l, i) => (i === place ? { ...l, name: tidy } : l));
  const cells = column.formula ? [] : rewritten(column, (row, text) => (rows[row] === place ? tidy : text));
  return [...cells, described(column, next)];
}

/** Moves a group by so many places in its order. */
export function moveLevelEdits(column: Column, id: string, by: number): TableEdit[] {
  const levels = levelsOf(column);
  const from = levels.findIndex((l) => l.id === id);
  const to = Math.min(levels.length - 1, Math.max(0, from + by));
  const level = levels[from];
  if (!level || from === to) return [];
  const others = levels.filter((l) => l !== level);
  // A colour goes with its group, so it is fixed before the order changes.
  const fixed = [...others.slice(0, to), level, ...others.slice(to)].map((l) => ({
    ...l,
    colour: l.colour ?? levels.indexOf(l) % groupLooks,
  }));
  return [described(column, fixed)];
}

/** Gives a group one of the eight colours. */
export const colourLevelEdits = (column: Column, id: string, colour: number): TableEdit[] => [
  described(
    column,
    levelsOf(column).map((l) => (l.id === id ? { ...l, colour } : l)),
  ),
];

/** Puts the readings of one column group below those of another, with their marks, and removes it. */
export function mergeColumnsEdits(table: Table, into: Column, from: Column): TableEdit[] {
  demand(
    into.unit === from.unit,
    `${into.name} is in ${into.unit || 'no unit'} and ${from.name} in ${from.unit || 'no unit'}: they cannot be one group.`,
  );
  demand(!into.formula && !from.formula, 'A computed column cannot be merged: keep its numbers as they are first.');
  demand(
    !table.columns.some((c) => c.role === 'subject' || c.role === 'label'),
    'The rows belong to subjects or labels here, and merging would part them: turn the table into one row per reading first.',
  );
  let end = into.cells.length;
  while (end > 0 && cellAt(into.cells, end - 1) === '') end -= 1;
  const texts = from.cells.map((text) => [text]);
  while (texts.at(-1)?.[0] === '') texts.pop();
  const marks = Object.entries(from.aside).map(([row, reason]) => ({
    column: into.id,
    row: end + Number(row),
    reason,
  }));
  return [
    ...(texts.length > 0 ? [{ kind: 'write', row: end, columns: [into.id], texts } satisfies TableEdit] : []),
    ...(marks.length > 0 ? [{ kind: 'set-aside', cells: marks } satisfies TableEdit] : []),
    { kind: 'remove-column', column: from.id },
  ];
}

/** The column that names the groups: the one pointed at, or the first. */
export function groupsNamedBy(table: Table, column: string | undefined): Column | undefined {
  const all = columnsOf(table, 'group');
  return all.find((c) => c.id === column) ?? all[0];
}

/** The groups that could be merged: columns that are groups, or the groups that a column names. */
export const mergeable = (table: Table, by?: Column): { id: string; name: string }[] =>
  columnsAreGroups(table) ? columnsOf(table, 'measure') : by ? levelsOf(by) : [];

/** Makes one group of two. @param by the column that names them, where rows do @throws DomainError where they cannot be one */
export function mergeGroupsEdits(table: Table, from: string, into: string, by?: Column): TableEdit[] {
  demand(from !== into, 'Choose two groups: one that goes, and one that takes its readings.');
  if (!columnsAreGroups(table)) {
    const name = by && levelsOf(by).find((l) => l.id === into)?.name;
    if (!by || name === undefined) throw new DomainError('There is no column of groups to merge in.');
    return renameLevelEdits(by, from, name);
  }
  const [a, b] = [findColumn(table, into), findColumn(table, from)];
  if (!a || !b) throw new DomainError('One of the groups is no longer there.');
  return mergeColumnsEdits(table, a, b);
}

/** Moves a column to another place. Where columns are groups, each keeps the colour it had. */
export function moveColumnEdits(table: Table, id: string, to: number): TableEdit[] {
  const groups = columnsAreGroups(table) ? columnsOf(table, 'measure') : [];
  const moves = groups.some((c) => c.id === id);
  const fixed = groups.flatMap((c, place): TableEdit[] =>
    moves && c.colour === undefined ? [{ kind: 'describe-column', column: c.id, colour: place % groupLooks }] : [],
  );
  return [...fixed, { kind: 'move-column', column: id, to }];
}
