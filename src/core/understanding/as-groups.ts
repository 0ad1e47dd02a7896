/** A table read with a group, a condition or a level in each column of numbers. */
import { nth } from '../numeric/nth';
import { textAt } from '../readings/cell-at';
import { type Role, called } from '../readings/table';
import { alike } from './alike';
import { type Evidence, weighed } from './evidence';
import {
  type Interpretation,
  type Looked,
  columnsAt,
  interpretation,
  naming,
  placesOf,
  rolesWith,
} from './interpretation';
import type { Part } from './part';
import type { Seen } from './seen';
import {
  answerName,
  arePlate,
  areSteps,
  areTurns,
  endedName,
  groupName,
  looksLikeId,
  numberName,
  settingName,
  sharedStem,
  spanName,
  subjectName,
  treatmentName,
  variableIn,
} from './vocabulary';
import { workedOut } from './worked-out';

/** Columns of numbers that may each be a group: all but those that name subjects, labels, days, or follow from the others. */
const measuresOf = (looked: Looked): number[] => {
  const numbers = placesOf(looked, 'measure').filter((i) => looked.columns[i]?.kind === 'numbers');
  const followed = workedOut(columnsAt(looked, numbers));
  return numbers.filter((i) => looked.columns[i] !== followed?.column);
};

const namesOf = (columns: readonly Seen[]): string[] => columns.map((c) => c.name);

/** Whether many full columns share neither a unit nor a word, nor are called as groups are. */
function unconnected(columns: readonly Seen[], rows: number): boolean {
  const names = namesOf(columns);
  const words = names.map((name) => new Set(name.toLowerCase().split(/[\s_.-]+/)));
  const shared = [...(words[0] ?? [])].some((word) => word.length > 1 && words.every((own) => own.has(word)));
  const short = names.filter((name) => name.length < 3 || groupName.test(name)).length;
  return (
    !shared &&
    short <= 1 &&
    sharedStem(names) === undefined &&
    columns.every((c) => c.unit === '' && c.texts.length === rows && !/^\d/.test(c.name))
  );
}

/** Roles where each measure is a group: a category beside them that is not wanted becomes a label. */
function columnRoles(looked: Looked, more: (place: number) => Role | undefined = () => undefined): Role[] {
  const groups = measuresOf(looked);
  const isOther = ({ role }: Part, i: number): boolean =>
    role === 'group' || role === 'subject' || (looked.columns[i]?.kind === 'numbers' && !groups.includes(i));
  return rolesWith(looked, (part, i) => more(i) ?? (isOther(part, i) ? 'label' : undefined));
}

/** Whether any of the first rows holds two readings. */
const readTwice = (measures: readonly Seen[]): boolean =>
  Array.from({ length: 1000 }).some((_, r) => measures.filter((c) => textAt(c.cells, r) !== '').length > 1);

/** Each column a group of its own, its rows unconnected. */
export function asColumns(looked: Looked): Interpretation[] {
  const places = measuresOf(looked);
  const measures = columnsAt(looked, places);
  const groups = columnsAt(looked, placesOf(looked, 'group'));
  if (measures.length === 0 && groups.length > 0) return [];
  const evidence: Evidence[] = [{ weight: 3, why: 'its columns hold numbers' }];
  if (measures.length > 1) evidence.push(...alike(measures));
  if (groups.some((c) => c.distinct < c.texts.length))
    evidence.push({ weight: -6, why: 'a column beside them names groups' });
  if (measures.length > 1 && !readTwice(measures)) evidence.push({ weight: 6, why: 'no row holds two readings' });
  const subject = looked.columns.find((c, i) => c.unique && looked.parts[i]?.role === 'subject');
  if (subject && measures.length > 1) evidence.push({ weight: -3, why: `“${subject.name}” names who each row is` });
  const name = naming(looked);
  if (name !== undefined && !subject && measures.length > 1)
    evidence.push({ weight: -2, why: 'every row has a name of its own' });
  const left = name === undefined ? undefined : looked.columns[name];
  if (left && arePlate(left.texts, namesOf(measures)))
    evidence.push({ weight: 1, why: 'it stands as the wells of a plate do' });
  if (areTurns(namesOf(measures))) evidence.push({ weight: -2, why: 'its columns are named as times' });
  return [interpretation('columns', columnRoles(looked), evidence)];
}

/** Each row a subject, read once in each column. */
export function asRepeated(looked: Looked): Interpretation[] {
  const measures = columnsAt(looked, measuresOf(looked));
  if (measures.length < 2) return [];
  const name = naming(looked);
  const subject = looked.parts.findIndex((p, i) => p.role === 'subject' && (looked.columns[i]?.unique ?? false));
  const turns = areTurns(namesOf(measures)) || (subject >= 0 && areSteps(namesOf(measures)));
  // Readings of one time may belong together as those of one subject do.
  const time = looked.parts.findIndex(
    ({ as }, i) => as === 'calendar' && i === 0 && (looked.columns[i]?.unique ?? false),
  );
  const who = subject >= 0 ? subject : (name ?? (time < 0 ? undefined : time));
  const all = placesOf(looked, 'group').filter((i) => i !== who);
  // Beside groups nothing but times tells that the columns are of one subject; of several, named subjects and times.
  if ((all.length > 0 && !turns) || (all.length > 1 && subject < 0)) return [];
  const set = all.find((i) => groupName.test(looked.columns[i]?.name ?? ''));
  const groups = all.length > 1 ? [set ?? nth(all, 0)] : all;
  const evidence: Evidence[] = [...alike(measures), { weight: 0.5, why: 'its columns hold numbers' }];
  if (turns) evidence.push({ weight: 4, why: 'its columns are named as times' });
  const column = who === undefined ? undefined : looked.columns[who];
  if (column) {
    const known = subjectName.test(column.name) || column.kind === 'numbers' || column.texts.every(looksLikeId);
    evidence.push(
      who === time
        ? { weight: 2.5, why: `“${column.name}” says when each row was read` }
        : { weight: known ? 5 : 3, why: `“${column.name || 'the first column'}” names who each row is` },
    );
  }
  if (column && !turns && treatmentName.test(column.name))
    evidence.push({ weight: -4, why: `“${column.name}” names what was done, and nobody` });
  if (!turns && !column) return [];
  // What each was found to be names nobody who was read twice.
  if (!readTwice(measures) || (column && answerName.test(column.name))) return [];
  if (column && arePlate(column.texts, namesOf(measures)))
    evidence.push({ weight: -1.5, why: 'it stands as the wells of a plate do' });
  if (!turns && measures.every((c) => c.whole && c.unit === ''))
    evidence.push({ weight: -1, why: 'every cell is a whole number' });
  const share = (c: Seen): number => c.texts.length / Math.max(1, looked.rows);
  if (measures.some((c) => share(c) < 0.5)) evidence.push({ weight: -2, why: 'many readings are missing' });
  return [
    interpretation(
      'repeated',
      columnRoles(looked, (i) => (i === who ? 'subject' : groups.includes(i) ? 'group' : undefined)),
      evidence,
    ),
  ];
}

/** Rows and columns are two factors, rows of one level being replicates. */
export function asGrid(looked: Looked): Interpretation[] {
  const measures = columnsAt(looked, measuresOf(looked));
  const groups = placesOf(looked, 'group');
  const [place] = groups;
  const by = place === undefined ? undefined : looked.columns[place];
  if (measures.length < 2 || groups.length !== 1 || !by || by.distinct < 2) return [];
  if (looked.parts.some((p, i) => p.role === 'subject' && (looked.columns[i]?.unique ?? false))) return [];
  const evidence: Evidence[] = [
    ...alike(measures),
    { weight: 1.5, why: `“${by.name || 'the first column'}” names the rows` },
  ];
  if (by.gaps) evidence.push({ weight: 4, why: 'each level is named once, its replicates below' });
  if (by.place !== 0) evidence.push({ weight: -2, why: 'the column of levels is not the first' });
  // A treatment a row and a site a column are two factors though each be read once.
  if (by.unique && !by.gaps && !(treatmentName.test(by.name) && measures.length > 2))
    evidence.push({ weight: -3, why: 'every level comes once' });
  if (areTurns(namesOf(measures))) evidence.push({ weight: -4, why: 'its columns are named as times' });
  if (sharedStem(namesOf(measures)) !== undefined)
    evidence.push({ weight: -3, why: 'its columns are numbered, as measures are' });
  if (measures.length > 6) evidence.push({ weight: -3, why: 'it has many columns' });
  if (measures.some((c) => variableIn(c.name)))
    evidence.push({ weight: -3, why: 'its columns are named after what is measured' });
  const inBlocks = by.texts.every((t, i) => i === 0 || t === by.texts[i - 1] || !by.texts.slice(0, i).includes(t));
  if (!by.unique && inBlocks) evidence.push({ weight: 1.5, why: 'rows of one level stand together' });
  if (settingName.test(by.name) || groupName.test(by.name) || by.name === '')
    evidence.push({ weight: 0.5, why: 'levels of a factor are named at the left' });
  return [
    interpretation(
      'grid',
      columnRoles(looked, (i) => (i === place ? 'group' : undefined)),
      evidence,
    ),
  ];
}

/** Each row a case: measures, and groups beside them. */
export function asCases(looked: Looked): Interpretation[] {
  const measures = columnsAt(
    looked,
    placesOf(looked, 'measure').filter((i) => looked.columns[i]?.kind === 'numbers'),
  );
  const name = naming(looked);
  // Whether a time was seen to its end is no group.
  const timed = measures.some((c) => spanName.test(c.name));
  const groups = columnsAt(looked, placesOf(looked, 'group')).filter(
    (c) => (c.distinct < c.texts.length || c.kind === 'numbers') && !(timed && endedName.test(c.name)),
  );
  if (measures.length === 0) return [];
  const likeness = measures.length > 1 ? weighed(alike(measures)) : 0;
  const evidence: Evidence[] = [];
  const tank = looked.columns.find(
    (c, i) => looked.parts[i]?.role === 'subject' && c.distinct < c.texts.length && c.distinct > 1,
  );
  if (groups.length > 0)
    evidence.push({ weight: 5, why: `“${called(groups[0], 'a column')}” names groups that come again` });
  else if (tank && measures.length === 1)
    evidence.push({ weight: 4, why: `“${tank.name}” names groups that come again` });
  else if (measures.length === 1) return [];
  else evidence.push({ weight: 2, why: 'its columns hold numbers' });
  if (measures.length > 1) {
    const each = looked.columns.some((c, i) => c.unique && looked.parts[i]?.role === 'subject');
    if (areTurns(namesOf(measures)) || (each && areSteps(namesOf(measures))))
      evidence.push({ weight: -4, why: 'its columns are named as times' });
    evidence.push({
      weight: Math.max(-4, Math.min(4, 0.5 - likeness)),
      why: likeness < 0 ? 'its columns of numbers are different measures' : 'its columns of numbers are alike',
    });
    if (sharedStem(namesOf(measures)) !== undefined && groups.length > 0)
      evidence.push({ weight: 3, why: 'its columns are numbered, as measures are' });
    if (measures.length > 4 && groups.length === 0 && unconnected(measures, looked.rows))
      evidence.push({ weight: 3.5, why: 'nothing says that its columns are one measure' });
    if (measures.length > 6 && groups.length > 0) evidence.push({ weight: 2, why: 'it has many columns' });
  } else evidence.push({ weight: 2, why: 'one column holds readings' });
  // A subject column that comes again is the group where there is no other; a text never repeated is a label.
  const byTank = groups.length === 0 && tank ? tank.place : undefined;
  const roles = rolesWith(looked, (part, i) => {
    const c = looked.columns[i];
    if (i === byTank) return 'group';
    if (part.role === 'group' && c && !groups.includes(c))
      return i === name && subjectName.test(c.name) ? 'subject' : 'label';
    if (part.role === 'subject' && numberName.test(c?.name ?? '') && groups.length === 0) return 'label';
    return undefined;
  });
  return [interpretation('rows', roles, evidence)];
}
