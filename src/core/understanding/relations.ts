/** What columns say of one another: samples within groups, subjects within samples, who was read at each time, what was set for all. */
import { cellAt } from '../readings/cell-at';
import { standing } from '../readings/places';
import { nth } from '../numeric/nth';
import type { Part } from './part';
import { type Seen, comesBack, inOrder } from './seen';
import { groupName, isTimeName, looksLikeId, variableIn } from './vocabulary';

/** Whether each name of one column stands beside one of another only: a tank in its treatment. */
const standsIn = (inner: readonly string[], outer: readonly string[]): boolean => standing(inner, outer).several === 0;

/** A column of names each of which stands in one group of another, and comes back there: samples that were read more than once. */
export function nested(columns: readonly Seen[], parts: readonly Part[]): number | undefined {
  const groups = columns.filter((c, i) => parts[i]?.role === 'group' && c.kind === 'text' && !c.gaps);
  if (!columns.some((c, i) => parts[i]?.role === 'measure' && c.kind === 'numbers')) return undefined;
  return groups.find((inner) =>
    groups.some(
      (outer) =>
        inner !== outer &&
        outer.distinct >= 2 &&
        inner.distinct >= 2 * outer.distinct &&
        inner.texts.length === outer.texts.length &&
        inner.distinct <= inner.texts.length / 2 &&
        standsIn(inner.texts, outer.texts),
    ),
  )?.place;
}

/**
 * Of columns that name subjects, the one whose subjects each stand in one group while those of another stand within
 * them: a litter of animals, a line of blades. What is compared was done to it.
 */
export function outermost(
  columns: readonly Seen[],
  parts: readonly Part[],
  subjects: readonly number[],
): { outer: number; home: number } | undefined {
  const texts = (i: number): readonly string[] => columns[i]?.texts ?? [];
  const rows = Math.max(...columns.map((c) => c.texts.length));
  const isWhole = (c: Seen): boolean => c.texts.length === rows && !c.gaps;
  const whole = subjects.filter((i) => isWhole(nth(columns, i)));
  const homeOf = (i: number): number | undefined => {
    const home = columns.findIndex(
      (c, g) =>
        g !== i &&
        (parts[g]?.role === 'group' || parts[g]?.role === 'subject') &&
        c.texts.length === rows &&
        c.distinct > 1 &&
        c.distinct < nth(columns, i).distinct &&
        standsIn(texts(i), c.texts),
    );
    return home < 0 ? undefined : home;
  };
  const grouped = whole.filter((i) => homeOf(i) !== undefined);
  const outer = grouped.reduce<number | undefined>(
    (best, i) => (best === undefined || nth(columns, i).distinct < nth(columns, best).distinct ? i : best),
    undefined,
  );
  if (outer === undefined) return undefined;
  const { distinct } = nth(columns, outer);
  const within = whole.flatMap((i) =>
    i === outer ? [] : [new Set(texts(i).map((name, row) => `${cellAt(texts(outer), row)}\n${name}`)).size],
  );
  const readAgain = within.some((both) => both < rows && both > distinct);
  // Each read once: several of them in each, and nothing that is compared differs within one.
  const several =
    within.includes(rows) &&
    distinct <= rows / 2 &&
    columns.every((c, g) => parts[g]?.role !== 'group' || (isWhole(c) && standsIn(texts(outer), c.texts)));
  const home = homeOf(outer);
  return (readAgain || several) && home !== undefined ? { outer, home } : undefined;
}

/** Letters there are at least where they name who was read: fewer are kinds. */
const fewestLetters = 5;

/** Whether entries are numbers in a row, or letters of one, or a word and a number: who was read, and no kinds. */
function areSubjects({ numbers, texts, distinct, kind }: Seen): boolean {
  if (kind === 'text')
    return (
      texts.every(looksLikeId) ||
      (distinct >= fewestLetters && texts.every((t) => 'ABCDEFGHIJKLMNOPQRST'.slice(0, distinct).includes(t)))
    );
  const levels = [...new Set(numbers)].sort((a, b) => a - b);
  return levels.length > 2 && nth(levels, 0) > 0 && levels.every((x, i) => x === nth(levels, 0) + i);
}

/** Whether names of one column stand beside each of another's once, or nearly all of them, and never twice. */
export function standOnce(who: Seen, when: Seen): boolean {
  const cells = new Set(who.texts.map((name, row) => `${name}\n${cellAt(when.texts, row)}`)).size;
  return (
    who.texts.length === when.texts.length && cells === who.texts.length && cells > 0.8 * who.distinct * when.distinct
  );
}

/** Conditions there are at most where nothing but codes says who was read under them. */
const mostConditions = 3;

/**
 * The column of two that says who was read at each time of the other, whatever it is called, or by its codes under each
 * of a few conditions: each stands beside each once.
 */
export function readOverTime(columns: readonly Seen[], parts: readonly Part[]): number | undefined {
  const [a, b, more] = columns.filter((_, i) => parts[i]?.role === 'group');
  if (!a || !b || more || a.texts.length !== b.texts.length) return undefined;
  const coded = [a, b].find((c) => c.kind === 'text' && c.distinct > mostConditions && c.texts.every(looksLikeId));
  const [who, when] = isTimeName(b.name) || (!isTimeName(a.name) && coded === a) ? [a, b] : [b, a];
  const told = isTimeName(when.name) || (coded === who && when.distinct <= mostConditions);
  return told &&
    !isTimeName(who.name) &&
    !groupName.test(who.name) &&
    !variableIn(who.name) &&
    standOnce(who, when) &&
    areSubjects(who)
    ? who.place
    : undefined;
}

/**
 * The column of a few numbers each of which comes once with every combination of what else names rows: an age at which
 * all were measured, a dose that all were given. Readings do not come so.
 */
export function setForAll(columns: readonly Seen[], parts: readonly Part[]): number | undefined {
  const all = Math.max(...columns.map((c) => c.texts.length));
  const whole = columns.filter((c) => c.texts.length === all);
  const names = whole.filter((c) => parts[c.place]?.role === 'group' || parts[c.place]?.role === 'subject');
  const read = whole.filter((c) => c.kind === 'numbers' && parts[c.place]?.role === 'measure');
  if (names.length === 0 || read.length < 2) return undefined;
  // Of a long column the first rows stand as they are.
  const rows = Math.min(all, inOrder);
  const under = Array.from({ length: rows }, (_, row) => names.map((c) => cellAt(c.texts, row)).join('\n'));
  const combinations = new Set(under).size;
  const isSet = (c: Seen): boolean => {
    const levels = new Set(c.texts.slice(0, rows)).size;
    return (
      comesBack(c) &&
      levels === c.distinct &&
      // The last of them may go on below.
      Math.ceil(rows / levels) === combinations &&
      (combinations > 2 ? levels > 2 || combinations > 4 : levels > 4) &&
      new Set(under.map((name, row) => `${name}\n${cellAt(c.texts, row)}`)).size === rows
    );
  };
  const set = read.filter(isSet);
  return set.length === 1 ? set[0]?.place : undefined;
}
