import { moments } from '../numeric/sum';
import { withDerived } from './derive';
import { levelRows, displayLevels } from './levels';
import { type ColumnReadings, type Reading, readColumn } from './read-column';
import { type Column, type Table, called, columnsOf, findColumn } from './table';
import { textAt } from './cell-at';

/** One group of a comparison with all its readings, wherever in the table they stand. */
export interface Group {
  /** A column's id where columns are groups, else the level's id. */
  id: string;
  /** As given, or "group 2" where it has none. */
  name: string;
  unit: string;
  /** Place among the group colours. */
  colour: number;
  /** The column its readings stand in. */
  column: string;
  readings: ColumnReadings;
}

/** Which columns of a table with one row per reading are compared. */
export interface Choice {
  measure?: string | undefined;
  by?: string | undefined;
}

/** Whether each measure column of the table is a group of its own. */
export const columnsAreGroups = ({ shape }: Table): boolean =>
  shape === 'columns' || shape === 'repeated' || shape === 'grid';

/**
 * Whether the groups a question compares are columns. Where each subject's readings stand side by side, one column may be
 * what was measured and another may name its groups: then they are not.
 */
export const groupsAreColumns = (table: Table, { measure, by }: Choice = {}): boolean =>
  columnsAreGroups(table) && !(table.shape === 'repeated' && measure !== undefined && by !== undefined);

/** The measure and the group column compared in a table with one row per reading: those chosen, or the first. */
export function chosenColumns(table: Table, { measure, by }: Choice = {}): { measure?: Column; by?: Column } {
  const pick = (id: string | undefined, role: 'measure' | 'group'): Column | undefined =>
    findColumn(table, id) ?? columnsOf(table, role)[0];
  // Where figures of spread alone are known, they are what is compared.
  const spreads = table.shape === 'summary' ? columnsOf(table, 'spread')[0] : undefined;
  const [chosen, group] = [pick(measure, 'measure') ?? spreads, pick(by, 'group')];
  return { ...(chosen ? { measure: chosen } : {}), ...(group ? { by: group } : {}) };
}

function columnGroups(table: Table): Group[] {
  const columns = columnsOf(table, 'measure');
  return groupNames(table).map((group, i) => ({
    ...group,
    column: group.id,
    readings: columns[i] ? readColumn(columns[i]) : { used: [], aside: [], unread: [] },
  }));
}

function levelGroups(table: Table, choice: Choice): Group[] {
  const { measure, by } = chosenColumns(table, choice);
  if (!measure) return [];
  if (!by) return groupNames(table, choice).map((g) => ({ ...g, column: measure.id, readings: readColumn(measure) }));
  const rows = levelRows(by);
  const groups = groupNames(table, choice).map((group): Group => ({
    ...group,
    column: measure.id,
    readings: { used: [], aside: [], unread: [] },
  }));
  const all = readColumn(measure);
  for (const kind of ['used', 'aside', 'unread'] as const)
    for (const cell of all[kind])
      (groups[rows[cell.row] ?? -1]?.readings[kind] as (typeof cell)[] | undefined)?.push(cell);
  return groups;
}

/** The subject each row is about, by the table's subject column; undefined without one. */
export function subjectOfRow(table: Table): ((row: number) => string) | undefined {
  const [column] = columnsOf(table, 'subject');
  return column && ((row) => textAt(column.cells, row));
}

/** Several readings as one: their mean, at the row of the first. A single reading stays as it is. */
function asOne(all: readonly Reading[]): Reading {
  const [first] = all as [Reading];
  if (all.length === 1) return first;
  const limited = all.find((r) => r.limited)?.limited;
  return {
    row: first.row,
    value: moments(all.map((r) => r.value)).mean,
    rows: all.map((r) => r.row),
    ...(limited ? { limited } : {}),
  };
}

/** A group's readings by what they are about, each as one. */
function bySubject(readings: readonly Reading[], keyOf: (row: number) => string): Map<string, Reading> {
  const gathered = new Map<string, Reading[]>();
  for (const reading of readings) {
    const key = keyOf(reading.row);
    const before = gathered.get(key);
    if (before) before.push(reading);
    else gathered.set(key, [reading]);
  }
  const single = new Map<string, Reading>();
  for (const [key, all] of gathered) single.set(key, asOne(all));
  return single;
}

/** What a row is about: its subject, or where none is named the row itself. */
const subjectOr =
  (subjectOf: ((row: number) => string) | undefined) =>
  (row: number): string => {
    const named = subjectOf?.(row) ?? '';
    return named === '' ? `row ${row + 1}` : named;
  };

/** What the one group is known by where no column parts the readings. */
const wholeGroup = 'all';

/** The groups a table names, without looking at their readings. */
export function groupNames(table: Table, choice: Choice = {}): Pick<Group, 'id' | 'name' | 'unit' | 'colour'>[] {
  if (groupsAreColumns(table, choice))
    return columnsOf(table, 'measure').map(({ id, name, unit, colour }, place) => ({
      id,
      name: name || `group ${place + 1}`,
      unit,
      colour: colour ?? place,
    }));
  const { measure, by } = chosenColumns(table, choice);
  if (!measure) return [];
  // Nothing parts the readings: they are one group.
  if (!by)
    return table.shape === 'rows' ? [{ id: wholeGroup, name: called(measure), unit: measure.unit, colour: 0 }] : [];
  return displayLevels(by).map(({ id, name, colour }, place) => ({
    id,
    name,
    unit: measure.unit,
    colour: colour ?? place,
  }));
}

const known = new WeakMap<Table, Map<string, Group[]>>();

/** The groups a table holds, in their order. Readings of one subject are averaged where the table says so. */
export function groupsOf(raw: Table, choice: Choice = {}): Group[] {
  const cache = known.get(raw) ?? new Map<string, Group[]>();
  known.set(raw, cache);
  const { measure, by } = groupsAreColumns(raw, choice) ? {} : chosenColumns(raw, choice);
  const key = JSON.stringify([measure?.id, by?.id]);
  const before = cache.get(key);
  if (before) return before;
  const table = withDerived(raw);
  const groups = groupsAreColumns(table, choice) ? columnGroups(table) : levelGroups(table, choice);
  const subjectOf = table.average ? subjectOfRow(table) : undefined;
  const result = subjectOf
    ? groups.map((g) => {
        const used = [...bySubject(g.readings.used, subjectOr(subjectOf)).values()];
        return { ...g, readings: { ...g.readings, used } };
      })
    : groups;
  cache.set(key, result);
  return result;
}

/** Two readings of one subject. */
export interface SubjectPair {
  subject: string;
  a: Reading;
  b: Reading;
}

/** A group's readings by subject, or by row where none is named; several of one subject stand for it by their mean. */
export function subjectReadings(table: Table, group: Group): Map<string | number, Reading> {
  const subjectOf = subjectOfRow(withDerived(table));
  if (subjectOf) return bySubject(group.readings.used, subjectOr(subjectOf));
  const byRow = new Map<number, Reading>();
  for (const reading of group.readings.used) byRow.set(reading.row, reading);
  return byRow;
}

/** What a reading is of, as it is said: a subject by its name, a row by its number. */
export const subjectNamed = (key: string | number): string => (typeof key === 'number' ? `row ${key + 1}` : key);

/**
 * Pairs two groups' readings: by the subject column where there is one, so that order does not matter, else by row.
 * @returns the pairs, and what has no partner
 */
export function pairsOf(
  table: Table,
  a: Group,
  b: Group,
): { pairs: SubjectPair[]; alone: string[]; bySubject: boolean } {
  const subjectOf = subjectOfRow(withDerived(table));
  const [inA, inB] = [subjectReadings(table, a), subjectReadings(table, b)];
  const pairs: SubjectPair[] = [];
  for (const [subject, reading] of inA) {
    const partner = inB.get(subject);
    if (partner) pairs.push({ subject: subjectNamed(subject), a: reading, b: partner });
  }
  const alone = [...[...inA.keys()].filter((s) => !inB.has(s)), ...[...inB.keys()].filter((s) => !inA.has(s))].map(
    subjectNamed,
  );
  return { pairs, alone, bySubject: subjectOf !== undefined };
}
