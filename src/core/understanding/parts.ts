/** What each column is when every row is a case: who it is, in which groups, and what was read. */
import { leastOf, mostOf } from '../numeric/extremes';
import { isError } from '../readings/parse-number';
import { holdsShares } from '../readings/share-cell';
import { areOpposites } from './opposites';
import type { Part } from './part';
import { nested, outermost, readOverTime, setForAll, standOnce } from './relations';
import { shiftedCells } from './shifted-cells';
import { type Seen, comesBack, holdsYears, runs } from './seen';
import {
  calendarName,
  controlName,
  groupName,
  idName,
  isReplicate,
  isWell,
  labelName,
  looksLikeId,
  meanName,
  numberName,
  pName,
  replicateName,
  settingName,
  spanName,
  spreadKind,
  subjectName,
  sampleNumber,
  subjectNumber,
  turnName,
  variableIn,
  withinSampleName,
} from './vocabulary';
import { tally } from '../numeric/tally';
import { nth } from '../numeric/nth';

/** How often each entry comes. */
function timesOf(c: Seen): number[] {
  const counts = new Map<string, number>();
  for (const t of c.texts) tally(counts, t);
  return [...counts.values()];
}

/** Whether every entry comes equally often, or nearly. */
function isBalanced(c: Seen): boolean {
  const sizes = timesOf(c);
  return Math.max(...sizes) - Math.min(...sizes) <= Math.max(1, 0.1 * Math.max(...sizes));
}

/** Whether each number is greater than the one before. */
const rises = ({ numbers, texts }: Seen): boolean =>
  numbers.length > 2 &&
  numbers.length === texts.length &&
  numbers.every((x, i) => i === 0 || x > (numbers[i - 1] ?? x));

/** Whether a column numbers the readings of one group after another: 1 to 10, and 1 to 10 again. */
const cycles = (c: Seen): boolean => {
  const numbers = c.numbers.slice(0, 1000);
  const restarts = numbers.filter((x, i) => i > 0 && x === 1).length;
  if (restarts === 0 || c.distinct < 2) return false;
  const named = /^rep(?:l(?:icate)?)?s?\b/iu.test(c.name) || withinSampleName.test(c.name);
  const goesOn = (x: number, i: number): boolean => i === 0 || x === 1 || x === nth(numbers, i - 1) + 1;
  // A few rows may be gone.
  const few = 10 * numbers.filter((x, i) => !goesOn(x, i)).length <= numbers.length;
  return few && (named || (c.distinct > 3 && numbers[0] === 1));
};

/** Whether few whole numbers name groups: by their column's name, by being codes, or by coming equally often. */
function numbersName(c: Seen, others: readonly Seen[]): boolean {
  const beside = others.filter((o) => o !== c && o.kind === 'numbers' && !comesBack(o));
  if (!comesBack(c)) return false;
  // One of several years or turns holds readings, however few they are: "2019" beside "2020", "before" beside "after".
  const isTurn = (o: Seen): boolean => /^\d+$/.test(o.name) || (turnName.test(o.name) && !groupName.test(o.name));
  const rest = others.filter((o) => o !== c && o.kind === 'numbers');
  if (rest.length > 0 && [c, ...rest].every(isTurn)) return false;
  // Codes for no and yes.
  if (c.unit === '' && c.numbers.every((x) => x === 0 || x === 1) && beside.length > 0) return true;
  // What was set has few values and none by chance alone, or each as often as any other; else it was read.
  const times = timesOf(c);
  const isSet =
    (c.distinct <= 6 && Math.min(...times) >= Math.max(...times) / 3) ||
    (isBalanced(c) && c.texts.length >= 3 * c.distinct);
  const named = groupName.test(c.name) || (settingName.test(c.name) && isSet);
  if (named && (beside.length > 0 || (c.whole && groupName.test(c.name)))) return true;
  // Times that come again equally often are those at which all was read.
  const read = rest.filter((o) => !subjectNumber.test(o.name) && !numberName.test(o.name));
  const found = others.some((o) => o.kind === 'text' && areOpposites([...new Set(o.texts)]));
  if (spanName.test(c.name) && (read.length > 0 || found) && isBalanced(c)) return true;
  // Few numbers in one unit beside readings in another: what was set.
  if (c.unit !== '' && beside.some((o) => o.unit !== '' && o.unit !== c.unit))
    return !variableIn(c.name) || isBalanced(c);
  if (beside.length === 0 || c.unit !== '' || variableIn(c.name) || turnName.test(c.name))
    return c.unit === '' && turnName.test(c.name) && beside.length === 1 && isBalanced(c);
  // Among whole numbers of the same size they are counts that come again by chance, unless they are codes from 1 on.
  const [least, most] = [leastOf(c.numbers), mostOf(c.numbers)];
  const areCodes = least <= 1 && most - least < c.distinct;
  if (!areCodes && beside.some((o) => o.whole && leastOf(o.numbers) <= 2 * least && most <= 2 * mostOf(o.numbers)))
    return false;
  return c.whole && ((c.distinct <= 2 && c.texts.length >= 4) || (c.distinct <= 6 && isBalanced(c)));
}

/** Whether few words come again and again, as kinds do and no subjects: ropes that are "old" or "new". */
const areKinds = (c: Seen): boolean =>
  c.distinct <= 4 && Math.min(...timesOf(c)) >= 4 && c.texts.every((t) => /^\p{L}{2}[\p{L} -]*$/u.test(t));

/** Whether numbers under "leaf" are readings of leaves: whole ones among those of every other column, none of which is a variable. */
function readsLike(c: Seen, columns: readonly Seen[]): boolean {
  const others = columns.filter((o) => o !== c);
  return (
    others.length > 0 &&
    !runs(c) &&
    others.every((o) => o.whole && o.unit === '' && !variableIn(o.name) && o.low <= c.high && c.low <= o.high) &&
    !others.every((o) => turnName.test(o.name))
  );
}

function partOf(c: Seen, columns: readonly Seen[]): Part {
  const named = (pattern: RegExp): boolean => pattern.test(c.name);
  const numbers = columns.filter((o) => o !== c && o.kind === 'numbers');
  const texts = columns.filter((o) => o !== c && o.kind === 'text' && o.distinct < o.texts.length);
  if (c.kind === 'empty')
    return { role: named(labelName) || c.name === '' ? 'label' : named(subjectName) ? 'subject' : 'measure' };
  if (c.kind === 'dates') return { role: 'label', as: 'calendar' };
  if (c.kind === 'numbers') {
    if (holdsYears(c) && (named(calendarName) || runs(c)) && !variableIn(c.name)) {
      // A year that comes again and again, and nothing else to group by, is a group.
      const grouping = comesBack(c) && c.distinct <= 6 && texts.length === 0 && numbers.length > 0;
      return grouping ? { role: 'group', as: 'calendar' } : { role: 'label', as: 'calendar' };
    }
    if (
      c.whole &&
      c.unique &&
      c.unit === '' &&
      ((named(subjectNumber) && !readsLike(c, columns)) || (named(idName) && !named(numberName)))
    )
      return { role: 'subject', as: 'identifier' };
    const beside = numbers.length > 0 || columns.some((o) => o !== c && o.kind === 'text');
    if (
      beside &&
      c.unit === '' &&
      c.whole &&
      c.unique &&
      (named(numberName) ||
        (runs(c) && (c.name === '' || c.place === 0) && !variableIn(c.name) && !named(calendarName)))
    )
      return runs(c) || !named(idName)
        ? { role: 'label', as: 'running-number' }
        : { role: 'subject', as: 'identifier' };
    if (c.whole && c.unit === '' && named(numberName) && beside && c.distinct > 2 && c.distinct < c.texts.length)
      return { role: 'subject', as: 'identifier' };
    if (c.whole && named(subjectNumber) && c.unit === '' && c.distinct < c.texts.length && numbers.length > 0)
      return { role: 'subject', as: 'identifier' };
    const timed = named(calendarName) || named(spanName);
    // Times down the side, one a row: when its readings were made.
    if (c.unique && timed && numbers.length > 0 && (c.place === 0 ? rises(c) : c.whole && c.unit === '' && runs(c)))
      return { role: 'label', as: 'calendar' };
    const numbered = cycles(c) || (sampleNumber.test(c.name) && comesBack(c));
    if (c.whole && c.unit === '' && numbered && numbers.some((o) => !comesBack(o)))
      return { role: 'label', as: 'replicate' };
    // What a test made of them is no reading.
    if (c.unit === '' && named(pName) && numbers.length > 0 && c.numbers.every((x) => x >= 0 && x <= 1))
      return { role: 'label', as: 'name' };
    // The spread and the number of readings that a mean is of.
    if (spreadKind(c.name) !== null && numbers.some((o) => meanName.test(o.name))) return { role: 'label', as: 'name' };
    // No reading stands beside a sample of none: nitrogen was added or not.
    if (c.whole && c.unit === '' && /^n$/i.test(c.name) && !c.numbers.includes(0) && numbers.some((o) => !o.whole))
      return { role: 'label', as: 'name' };
    // Months and weeks that come again, and nothing else to group by.
    if (c.whole && c.unit === '' && named(calendarName) && comesBack(c) && texts.length === 0 && isBalanced(c))
      return { role: 'group', as: 'calendar' };
    return { role: numbersName(c, columns) ? 'group' : 'measure' };
  }
  // In the unit of other readings stand readings too, though none of them can be read.
  if (c.texts.every(isError) || (c.unit !== '' && numbers.some((o) => o.unit === c.unit))) return { role: 'measure' };
  if (c.texts.every((t, i) => (c.name === '' ? isReplicate(t, i) : replicateName.test(t))))
    return { role: 'label', as: 'replicate' };
  // Names that come once under each of several conditions are whose readings these are.
  if (/^(?:who|names?)$/iu.test(c.name.trim()) && texts.some((o) => c.distinct > o.distinct && standOnce(c, o)))
    return { role: 'subject', as: 'name' };
  if (named(labelName) || holdsShares(c.texts)) return { role: 'label', as: 'name' };
  if (named(calendarName) && !named(groupName) && c.unique && numbers.length > 0)
    return { role: 'label', as: 'calendar' };
  // Between other groups and readings they are who was read.
  const kinds =
    areKinds(c) && (numbers.every(comesBack) || texts.length === 0 || c.texts.some((t) => controlName.test(t)));
  const coded = c.distinct <= 2 && c.texts.every((t) => t === '0' || t === '1');
  if (!coded && ((named(subjectName) && !kinds) || ((named(idName) || named(numberName)) && !named(groupName))))
    return { role: 'subject', as: 'identifier' };
  if (c.unique && c.texts.length > 2 && c.texts.every((t) => looksLikeId(t) || isWell(t)) && !named(groupName))
    return { role: 'subject', as: 'identifier' };
  // Texts that hardly come again name the rows, or remark on them.
  if (c.distinct > 8 && c.distinct > 0.5 * c.texts.length && !c.unique) return { role: 'label', as: 'name' };
  return { role: 'group' };
}

/** The part of each column. One column at most names the subjects. */
export function partsOf(columns: readonly Seen[]): Part[] {
  const parts = columns.map((c) => partOf(c, columns));
  const within = parts.some((p) => p.role === 'subject')
    ? undefined
    : (nested(columns, parts) ?? readOverTime(columns, parts));
  if (within !== undefined) parts[within] = { role: 'subject', as: 'identifier' };
  // What is the same in every row tells nothing of them, where something else does.
  const varies = columns.some((c, i) => parts[i]?.role === 'group' && c.distinct > 1);
  if (varies)
    columns.forEach((c, i) => {
      if (parts[i]?.role === 'group' && c.distinct === 1 && !c.gaps && c.texts.length > 1)
        parts[i] = { role: 'label', as: 'name' };
    });
  // What slipped beyond the last name is no column of its own.
  const shifted = shiftedCells(columns);
  if (shifted) parts[shifted.beyond] = { role: 'label', as: 'name' };
  const set = setForAll(columns, parts);
  if (set !== undefined) parts[set] = { role: 'group' };
  const subjects = parts.flatMap((p, i) => (p.role === 'subject' ? [i] : []));
  if (subjects.length > 1) {
    // Who each row is, rather than where it lives: the one that tells most apart.
    const tells = (i: number): number => nth(columns, i).distinct;
    const nest = outermost(columns, parts, subjects);
    const best = nest?.outer ?? subjects.reduce((a, b) => (tells(b) > tells(a) ? b : a));
    for (const i of subjects) {
      if (i === best) continue;
      const c = columns[i];
      parts[i] =
        c && !c.unique && c.distinct > 1 && (!nest || nest.home === i)
          ? { role: 'group' }
          : { role: 'label', as: 'name' };
    }
  }
  return parts;
}
