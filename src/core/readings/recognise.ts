import { holdsShares } from './count-table';
import { decimalMarkOf, understand } from './parse-number';
import type { Role, Shape } from './table';

/** A column as it came in: its head split into name and unit, and its texts. */
export interface Incoming {
  name: string;
  unit: string;
  cells: readonly string[];
}

/** What a block of readings was understood to be. */
export interface Recognised {
  shape: Shape;
  roles: Role[];
}

const subjectName =
  /^(id|ids|subject|plant|animal|tank|line|seedling|blade|dish|plate|batch|pot|tray|donor|sample|specimen|individual|frond|raft|cage|probe|block|replicate of|tag)s?\b|\b(id|no\.?|number|code|tag)$/i;
const labelName = /^(note|notes|comment|comments|remark|remarks|label|date|time|when|by|who|observer)\b/i;
const countName = /^(n|count|counts|number|frequency|freq\.?|total|how many)$/i;
const meanName = /^(mean|average|avg\.?|m)\b/i;
const spreadName =
  /^(sd|s\.d\.|sem|s\.e\.m\.|se|s\.e\.|standard (deviation|error)|variance|var\.?|ci|half-?width|±|interval)\b/i;
const sizeName = /^(n|size|sample size|replicates|reps)$/i;
/** Names of times or turns: what the same subject is measured at. */
const turnName =
  /^(day|week|month|hour|h|d|t|w|time|visit|year|before|after|pre|post|start|end|baseline|first|second|third)\b/i;
const groupName =
  /^(group|treatment|lamp|condition|diet|nutrient|site|dose|level|class|category|kind|type|arm|variety|strain|temperature|colour|season|rinse|result|outcome|settled|grazed)s?\b/i;

/** Names of what is set as well as measured. */
const settingName = /^(temp|ph|salinity|depth|conc|concentration|light)s?\b/i;

interface Seen extends Incoming {
  texts: string[];
  numeric: boolean;
  whole: boolean;
  distinct: number;
  /** Rows with an empty cell below a filled one. */
  gaps: boolean;
}

/** Cells looked at: enough to tell, spread over the whole column when it is longer. */
const lookedAt = 3000;

function sampled(cells: readonly string[]): readonly string[] {
  if (cells.length <= lookedAt) return cells;
  // The first rows as they stand, for gaps below names; then every so many.
  const stride = Math.ceil(cells.length / (lookedAt / 2));
  return cells.filter((_, i) => i < lookedAt / 2 || i % stride === 0);
}

function look(whole: Incoming): Seen {
  const column = { ...whole, cells: sampled(whole.cells) };
  const texts = column.cells.map((c) => c.trim()).filter((t) => t !== '');
  const mark = decimalMarkOf(column.cells, column.unit);
  const numbers = texts.filter((t) => understand(t, column.unit, mark).kind === 'number');
  const first = column.cells.findIndex((c) => c.trim() !== '');
  return {
    ...column,
    texts,
    numeric: texts.length > 0 && numbers.length >= texts.length / 2,
    whole: texts.length > 0 && texts.every((t) => /^\d+$/.test(t)),
    distinct: new Set(texts).size,
    gaps: first >= 0 && column.cells.slice(first).some((c) => c.trim() === ''),
  };
}

/** Different numbers a factor has at most: 9, 12 and 15 °C, not a scale. */
const mostLevels = 12;

/** Whether a column's few entries come again and again, as the levels of a factor do. */
const comesBack = (c: Seen): boolean => c.distinct > 1 && c.distinct <= Math.min(mostLevels, c.texts.length / 2);

/**
 * Whether a column of numbers or texts names groups: text, or few different numbers under a name that says so. Decimals,
 * and what may have been measured as well as set, need readings beside them: pH alone is a reading, however few its values.
 */
function namesGroups(c: Seen, columns: readonly Seen[]): boolean {
  if (c.texts.length === 0) return false;
  if (!c.numeric) return true;
  if (!comesBack(c)) return false;
  if (c.whole && groupName.test(c.name)) return true;
  return (
    (groupName.test(c.name) || settingName.test(c.name)) &&
    columns.some((other) => other !== c && other.numeric && !comesBack(other))
  );
}

/** Whether few numbers come again beside readings in another unit, so that they cannot be readings of the same thing. */
const isFactorBeside = (c: Seen, measures: readonly Seen[]): boolean =>
  c.unit !== '' && comesBack(c) && measures.some((m) => m.unit !== '' && m.unit !== c.unit && !comesBack(m));

const fill = (n: number, role: Role): Role[] => Array.from({ length: n }, () => role);

function summary(columns: readonly Seen[]): Recognised | undefined {
  const mean = columns.findIndex((c) => c.numeric && meanName.test(c.name));
  const spread = columns.findIndex((c) => c.numeric && spreadName.test(c.name));
  const n = columns.findIndex((c) => c.numeric && sizeName.test(c.name));
  if (mean < 0 || spread < 0 || n < 0) return undefined;
  const roles = fill(columns.length, 'label');
  const name = columns.findIndex((c, i) => i !== mean && i !== spread && i !== n && !c.numeric);
  if (name >= 0) roles[name] = 'group';
  roles[mean] = 'measure';
  roles[spread] = 'spread';
  roles[n] = 'count';
  return { shape: 'summary', roles };
}

/**
 * Tells from the columns' names and texts how a table is laid out and what each column is. It is a first reading:
 * every part of it can be changed by the person, and nothing is lost when it is wrong.
 */
export function recognise(incoming: readonly Incoming[]): Recognised {
  const columns = incoming.map(look);
  const filled = columns.filter((c) => c.texts.length > 0);
  const shares = columns.findIndex((c) => holdsShares(c.texts));
  const named = columns.findIndex((c, i) => i !== shares && !c.numeric && c.texts.length > 0);
  if (shares >= 0 && named >= 0 && filled.length === 2)
    return { shape: 'counts', roles: columns.map((_, i) => (i === shares ? 'count' : 'group')) };
  const figures = summary(columns);
  if (figures) return figures;
  const roles: Role[] = columns.map((c) => {
    if (labelName.test(c.name)) return 'label';
    if (subjectName.test(c.name) && (!c.numeric || c.whole)) return 'subject';
    return namesGroups(c, columns) ? 'group' : 'measure';
  });
  const measured = columns.filter((_, i) => roles[i] === 'measure');
  columns.forEach((c, i) => {
    if (roles[i] === 'measure' && isFactorBeside(c, measured)) roles[i] = 'group';
  });
  // One column can name the subject; a second that reads so names groups when it repeats, else it is a label.
  roles.forEach((role, i) => {
    if (role === 'subject' && roles.indexOf('subject') < i)
      roles[i] = (columns[i]?.distinct ?? 0) < (columns[i]?.texts.length ?? 0) ? 'group' : 'label';
  });
  const of = (role: Role): Seen[] => columns.filter((_, i) => roles[i] === role);
  const measures = of('measure');
  const turn = (to: (c: Seen, i: number) => Role | undefined): Role[] =>
    columns.map((c, i) => to(c, i) ?? roles[i] ?? 'measure');

  // Text that never repeats names the rows: subjects, or the rows of a table of counts.
  const naming = columns.findIndex(
    (c, i) => roles[i] === 'group' && !c.numeric && !c.gaps && c.texts.length > 1 && c.distinct === c.texts.length,
  );
  const groups = of('group');
  if (measures.length === 0) {
    const count = filled.length > 0 && groups.length > 0;
    if (!count) return { shape: 'columns', roles: fill(columns.length, 'measure') };
    // A name of its own on every row, beside categories that come again, says which subject it is.
    const subject = of('subject').length === 0 && groups.some((c) => c.distinct < c.texts.length);
    return { shape: 'categories', roles: turn((_, i) => (subject && i === naming ? 'subject' : undefined)) };
  }
  if (groups.length > 0 && measures.length === 1 && countName.test(measures[0]?.name ?? '') && measures[0]?.whole)
    return { shape: 'counts', roles: turn((c) => (c === measures[0] ? 'count' : undefined)) };
  if (naming >= 0 && groups.length === 1 && measures.length >= 2) {
    if (measures.every((m) => m.whole && !m.gaps) && !measures.some((m) => m.unit))
      return { shape: 'counts', roles: turn((c) => (measures.includes(c) ? 'count' : undefined)) };
    return { shape: 'repeated', roles: turn((_, i) => (i === naming ? 'subject' : undefined)) };
  }
  if (groups.length === 0) {
    const turns = measures.filter((m) => turnName.test(m.name)).length >= 2;
    const complete = measures.every((m) => m.texts.length === measures[0]?.texts.length);
    return {
      shape: (of('subject').length > 0 || turns) && complete && measures.length > 1 ? 'repeated' : 'columns',
      roles,
    };
  }
  // Levels named once with their replicates below, or the same unit in several columns whose names are no measures.
  const [leading] = groups;
  if (groups.length === 1 && measures.length >= 2 && columns[0] === leading && of('subject').length === 0) {
    const units = new Set(measures.map((m) => m.unit));
    const sameKind =
      units.size === 1 && measures.every((m) => !/length|width|mass|weight|height|area|rate/i.test(m.name));
    if (leading?.gaps || sameKind) return { shape: 'grid', roles };
  }
  if (
    groups.length === 1 &&
    of('subject').length === 1 &&
    measures.length >= 2 &&
    measures.every((m) => turnName.test(m.name))
  )
    return { shape: 'repeated', roles };
  return { shape: 'rows', roles };
}
