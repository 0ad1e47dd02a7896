/**
 * Blinding: the names of groups give way to letters, in the readings themselves, so that every view, picture and export
 * shows letters until the names are put back. The names are kept with the table, sealed so that nobody reads them by
 * accident; who means to find them does, and so does the log's history.
 */
import { nth } from '../numeric/nth';
import { there } from '../numeric/there';
import escape from 'escape-string-regexp';
import * as v from 'valibot';
import { marksOf } from './beside';
import { DomainError } from '../numeric/domain-error';
import { type Random, shuffleInPlace } from '../numeric/random';
import { columnsAreGroups } from './groups';
import { placeLetters } from './place-letters';
import { levelRows, levelsOf } from './levels';
import type { TableEdit } from './table-edit';
import { type Column, type Table, columnsOf } from './table';

/** What stood where a letter stands: a column's name, or a level's within it. */
const Hidden = v.array(
  v.object({
    column: v.string(),
    level: v.optional(v.string()),
    name: v.string(),
    colour: v.optional(v.number()),
  }),
);
type Hidden = v.InferOutput<typeof Hidden>;

const sealedOf = (hidden: Hidden): string =>
  Array.from(new TextEncoder().encode(JSON.stringify(hidden)), (b) => (b ^ 0x5a).toString(16).padStart(2, '0')).join(
    '',
  );

/** @throws DomainError where the key was changed by hand */
function opened(sealed: string): Hidden {
  const bytes = Uint8Array.from(sealed.match(/../g) ?? [], (pair) => Number.parseInt(pair, 16) ^ 0x5a);
  try {
    return v.parse(Hidden, JSON.parse(new TextDecoder().decode(bytes)));
  } catch {
    throw new DomainError(
      'The names behind the letters cannot be read: they were changed by hand. The log goes back to before they were hidden.',
    );
  }
}

/**
 * Words typed by hand with the letters of a table in place of the names they stand for, while those are hidden: what was
 * typed before would say which letter is which. A name that is a mere number cannot be told from any other number.
 */
export function underLetters(table: Pick<Table, 'blind' | 'columns'>): (words: string) => string {
  if (table.blind?.sealed === undefined) return (words) => words;
  const letters = opened(table.blind.sealed).flatMap(({ column: id, level, name }) => {
    const column = table.columns.find((c) => c.id === id);
    const now = level === undefined ? column?.name : column && levelsOf(column).find((l) => l.id === level)?.name;
    return now !== undefined && /\p{L}/u.test(name) ? [[name.toLowerCase(), now] as const] : [];
  });
  if (letters.length === 0) return (words) => words;
  const letterOf = new Map(letters);
  // Longer names first: “Red lamp, dim” is not “Red lamp” with more behind it.
  const names = [...letterOf.keys()].sort((a, b) => b.length - a.length).map((name) => escape(name));
  const any = new RegExp(`(?<![\\p{L}\\p{N}])(?:${names.join('|')})(?![\\p{L}\\p{N}])`, 'giu');
  return (words) => words.replace(any, (name) => letterOf.get(name.toLowerCase()) ?? name);
}

/** Whether a table's groups stand under letters now. */
export const isBlind = ({ blind }: Pick<Table, 'blind'>): boolean => blind?.sealed !== undefined;

/** Cells set aside in a whole table. */
export const asideCount = (table: Table): number =>
  table.columns.reduce((n, c) => n + Object.keys(marksOf(c)).length, 0);

/** Why a table cannot be blinded; undefined where it can. */
export function notBlinded(table: Table): string | undefined {
  if (isBlind(table)) return 'Its group names are hidden already.';
  if (table.shape === 'counts' || table.shape === 'summary')
    return 'Counts and figures from a paper cannot be blinded: they tell which group is which by themselves.';
  const named = columnsAreGroups(table) ? columnsOf(table, 'measure') : columnsOf(table, 'group');
  return named.length === 0 ? 'There are no groups to hide yet.' : undefined;
}

const shuffled = <T>(all: readonly T[], random: Random): T[] => {
  const order = all.map((_, i) => i);
  shuffleInPlace(order, random);
  return order.map((i) => all[i] as T);
};

/** A group column's levels under letters in a new order, in its cells too. */
function hiddenLevels(column: Column, random: Random): { edits: TableEdit[]; hidden: Hidden } {
  const levels = levelsOf(column);
  const order = shuffled(levels, random);
  const nameOf = new Map(order.map((level, place) => [level.id, placeLetters(place)]));
  const rows = levelRows(column);
  const texts = column.cells.map((text, row) => [nameOf.get(levels[rows[row] ?? -1]?.id ?? '') ?? text]);
  return {
    edits: [
      ...(texts.length > 0 ? [{ kind: 'write' as const, row: 0, columns: [column.id], texts }] : []),
      {
        kind: 'describe-column',
        column: column.id,
        levels: order.map(({ id }) => ({ id, name: there(nameOf.get(id), 'letter') })),
      },
    ],
    hidden: levels.map(({ id, name, colour }) => ({
      column: column.id,
      level: id,
      name,
      ...(colour === undefined ? {} : { colour }),
    })),
  };
}

/** Columns that are groups under letters, in a new order from left to right; what is computed from them loses its name too. */
function hiddenColumns(table: Table, random: Random): { edits: TableEdit[]; hidden: Hidden } {
  const all = columnsOf(table, 'measure');
  const order = shuffled(
    all.filter((c) => !c.formula),
    random,
  );
  const computed = all.filter((c) => c.formula);
  const places = all.map((c) => table.columns.indexOf(c));
  const named = [
    ...order.map((column, place) => ({ column, name: placeLetters(place) })),
    ...computed.map((column, place) => ({ column, name: `computed ${place + 1}` })),
  ];
  return {
    edits: named.flatMap(({ column, name }, place): TableEdit[] => [
      { kind: 'describe-column', column: column.id, name, colour: null },
      { kind: 'move-column', column: column.id, to: nth(places, place) },
    ]),
    hidden: all.map(({ id, name, colour }) => ({ column: id, name, ...(colour === undefined ? {} : { colour }) })),
  };
}

/**
 * Hides the names of a table's groups.
 * @param at the time, ISO
 * @param random decides which group gets which letter
 * @throws DomainError where it has no groups that can be hidden
 */
export function blindEdits(table: Table, at: string, random: Random): TableEdit[] {
  const why = notBlinded(table);
  if (why !== undefined) throw new DomainError(why);
  const parts = [
    ...(columnsAreGroups(table) ? [hiddenColumns(table, random)] : []),
    ...columnsOf(table, 'group')
      .filter((c) => !c.formula)
      .map((column) => hiddenLevels(column, random)),
  ];
  const sealed = sealedOf(parts.flatMap((p) => p.hidden));
  return [
    { kind: 'describe-table', blind: { from: at, asideFrom: asideCount(table), sealed } },
    ...parts.flatMap((p) => p.edits),
  ];
}

/** Puts the names back where the letters stand, also in rows that came since. @throws DomainError where nothing is hidden */
export function revealEdits(table: Table, at: string): TableEdit[] {
  const { blind } = table;
  if (blind?.sealed === undefined) throw new DomainError('Its group names are not hidden.');
  const hidden = opened(blind.sealed);
  const edits: TableEdit[] = [];
  for (const column of table.columns) {
    const own = hidden.filter((h) => h.column === column.id);
    const head = own.find((h) => h.level === undefined);
    if (head) edits.push({ kind: 'describe-column', column: column.id, name: head.name, colour: head.colour ?? null });
    const nameOf = new Map(own.flatMap((h) => (h.level === undefined ? [] : [[h.level, h] as const])));
    if (nameOf.size === 0) continue;
    const levels = levelsOf(column);
    const rows = levelRows(column);
    const texts = column.cells.map((text, row) => [nameOf.get(levels[rows[row] ?? -1]?.id ?? '')?.name ?? text]);
    edits.push(...(texts.length > 0 ? [{ kind: 'write' as const, row: 0, columns: [column.id], texts }] : []), {
      kind: 'describe-column',
      column: column.id,
      levels: levels.map(({ id, name }) => {
        const was = nameOf.get(id);
        return {
          id,
          name: was?.name ?? name,
          ...(was?.colour === undefined ? {} : { colour: was.colour }),
        };
      }),
    });
  }
  return [
    ...edits,
    {
      kind: 'describe-table',
      blind: { from: blind.from, asideFrom: blind.asideFrom, to: at, asideTo: asideCount(table) },
    },
  ];
}
