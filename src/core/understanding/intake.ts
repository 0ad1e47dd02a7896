import { type Beside, besideReasons } from '../readings/beside';
import { type Doubt as DoubtfulCell, doubtsOf } from '../readings/doubtful';
import { isMissing } from '../readings/parse-number';
import {
  type Column,
  type DecimalMark,
  type LimitRule,
  type Role,
  type Shape,
  type Table,
  emptyColumn,
  isMeasured,
} from '../readings/table';
import { limits } from '../readings/table-edit';
import { isUnit, splitUnit } from '../readings/units';
import { withCorner } from './corner-lost';
import { codesNamed } from './code-key';
import { blocksBeside } from './blocks-beside';
import { sharesInGrid } from './shares-in-grid';
import { countsOfProportions } from './counts-of-proportions';
import { countsWithPercent } from './counts-with-percent';
import { crossedApart } from './crossed-heads';
import { durations } from './durations';
import { answersApart } from './answers-below';
import { some } from './doubts/doubt';
import { countedRows, figuresInGrid } from './figures-in-grid';
import { withoutFigures } from './figures-beside';
import { figureNames } from './figure-names';
import { figuresTold } from './figures-told';
import { geometricMeans } from './geometric-means';
import { type Heads, headsOf, namesAndUnits } from './heads';
import type { Interpretation } from './interpretation';
import { type Worked, limitsApart } from './limits-apart';
import { withoutLinesBelow } from './lines-below';
import { leavesApart } from './stems-and-leaves';
import { listsInCells } from './lists-in-cells';
import { linesApart } from './lines';
import { isTurned, turnedUpright } from './orientation';
import { sharesOfSubjects } from './shares-of-subjects';
import { spreadsApart } from './plus-minus';
import { pairsInCells } from './pairs-in-cells';
import { sizesInHeads } from './sizes-in-heads';
import { interpretations, recognise } from './recognise';
import { marksRead } from './marks';
import { outcomesTwice } from './outcomes-twice';
import { numberedWithin } from './numbered-within';
import { conditionsGathered } from './conditions-gathered';
import { type Gathered, replicatesGathered } from './replicates-gathered';
import { subjectsAcross } from './subjects-across';
import { groupsBelow, sectionsApart } from './sections';
import { signsBehind } from './signs-behind';
import { oneMarked } from './one-marked';
import type { Incoming } from './seen';
import { cellsNamed } from './named-cells';
import { namesFilledDown } from './names-filled-down';
import { rowsBeside } from './rows-beside';
import { withoutRowsTwice } from './rows-twice';
import { subjectNoun } from './subject-noun';
import { valuesByName } from './values-by-name';
import { pName, spreadKind } from './vocabulary';
import { tally } from '../numeric/tally';
import { cellAt, textAt } from '../readings/cell-at';
import { nth } from '../numeric/nth';

type Rows = readonly (readonly string[])[];

/** What the person has decided about a block coming in, instead of what was understood. */
export interface IntakeChoice {
  /** Whether rows and columns are exchanged first. */
  turned?: boolean;
  heads?: Heads;
  /** Whether what stands beside one another, within cells or under names that cross is put into rows. */
  arranged?: boolean;
  shape?: Shape;
  /** By column, from 0. */
  roles?: Readonly<Record<number, Role>>;
  decimals?: Readonly<Record<number, DecimalMark>>;
  units?: Readonly<Record<number, string>>;
  limits?: Readonly<Record<number, LimitRule>>;
}

/** A doubtful cell of a block, by its place in the table that the block becomes. */
export interface Doubtful extends DoubtfulCell {
  column: number;
}

/** A block understood as a table. */
export interface Intake {
  heads: Heads;
  turned: boolean;
  /** How many rows each row became, its replicates or conditions below one another; 1 where there were none. */
  times: number;
  table: Omit<Table, 'id' | 'name'>;
  /** Other ways to read it that are about as likely. */
  others: Interpretation[];
  doubtful: Doubtful[];
  /** How many cells are doubtful in all, when not all of them are listed. */
  doubts: number;
  /** Whether what stood beside one another, within cells or under names that cross was put into rows. */
  arranged: boolean;
  /** Whether cells of many numbers, or readings that stood under names, were taken apart. */
  split: boolean;
  /** What was left because it does not fit. */
  troubles: string[];
  /** What was done to the block before it was read, in words. */
  notes: string[];
}

/** Doubtful cells listed one by one; the rest are counted. */
const listed = 500;

/** The unit that cells carry themselves, "12 mm": that of most which carry one. */
function unitInCells(cells: readonly string[]): string {
  const units = new Map<string, number>();
  // "10 mg/kg" beside "vehicle" is a name.
  if (cells.some((cell) => /\p{L}/u.test(cell) && !/\d/.test(cell) && !isMissing(cell) && !isUnit(cell))) return '';
  for (const cell of cells) {
    const found = /^[+−-]?[\d.,]+\s*([^\d\s.,].*)$|^([£€$¥])\s*[\d.,]+$/u.exec(cell.trim())?.slice(1).find(Boolean);
    if (found !== undefined && isUnit(found)) tally(units, found);
  }
  const all = [...units.values()].reduce((sum, n) => sum + n, 0);
  return [...units].find(([, n]) => 2 * n >= all)?.[0] ?? '';
}

/** Units the columns have: of their heads, else of their cells; a unit given for one column of numbers holds for all that have none. */
function withUnits(incoming: readonly Incoming[], given: IntakeChoice['units']): Incoming[] {
  // "12 mm" in the cells gives the column its unit. But where every cell of the first column, or of one without a name,
  // carries one and others do without, "9 °C" and "12 °C" are names of groups.
  const own = incoming.map(({ unit, cells }) => unit || unitInCells(cells));
  const areNames = (c: Incoming, k: number): boolean =>
    (k === 0 || c.name === '') &&
    c.unit === '' &&
    incoming.some((other, i) => i !== k && own[i] === other.unit) &&
    c.cells.every((cell) => cell.trim() === '' || unitInCells([cell]) !== '');
  return incoming.map((c, k) => ({
    ...c,
    unit: (given?.[k] ?? (areNames(c, k) ? c.unit : cellAt(own, k))).slice(0, limits.unit),
  }));
}

/** What a block holds below its heads: without empty rows, and without the heads where they come again. */
function bodyOf(block: Rows, heads: Heads): { rows: readonly (readonly string[])[]; at: number[]; repeated: number } {
  const top = heads.skipped + heads.names + heads.units;
  const names = heads.names ? (block[heads.skipped] ?? []).map((t) => t.trim()) : [];
  const rows: (readonly string[])[] = [];
  const at: number[] = [];
  let repeated = 0;
  for (let r = top; r < block.length; r++) {
    const row = block[r] ?? [];
    if (row.every((t) => t.trim() === '')) continue;
    if (names.length > 0 && row.length === names.length && row.every((t, k) => t.trim() === names[k])) {
      repeated += 1;
      continue;
    }
    rows.push(row);
    at.push(r);
  }
  return { rows, at, repeated };
}

/** Thousands marks in a column of means, "1,642", beside spreads that only such a mean can have. */
function thousands(column: Incoming, role: Role, columns: readonly Incoming[], roles: readonly Role[]): boolean {
  if (!isMeasured(role)) return false;
  const filled = column.cells.filter((c) => c.trim() !== '');
  const doubtful = filled.filter((c) => /^[1-9]\d{0,2},\d{3}$/.test(c.trim()));
  if (doubtful.length === 0) return false;
  if (role === 'count' || role === 'total') return true;
  if (filled.some((c) => /^\d{3,}$/.test(c.trim()) || /^\d*\.\d+$/.test(c.trim()) || /\.\d*$/.test(c.trim())))
    return true;
  const points = columns.some((c) => c.cells.some((t) => /^\d+\.\d+$/.test(t.trim())));
  const spread = columns[roles.indexOf('spread')];
  const sizes = spread?.cells.map(Number).filter((x) => x > 0) ?? [];
  return points || (role === 'measure' && sizes.some((x) => x > 20));
}

/** The confidence level of an interval by its column's name: "half-width of the 90 % interval"; 95 % where it has none. */
function levelIn(name: string): number {
  const percent = Number(/(\d{2}(?:\.\d+)?) ?%/.exec(name)?.[1] ?? 95);
  return percent >= 50 ? percent / 100 : 0.95;
}

/** A block without the columns that hold nothing, not even a name. */
function withoutEmptyColumns(block: Rows): Rows {
  let width = 0;
  for (const row of block) width = Math.max(width, row.length);
  const holds = Array.from({ length: width }, (_, k) => block.some((row) => textAt(row, k) !== ''));
  return holds.every(Boolean) ? block : block.map((row) => holds.flatMap((is, k) => (is ? [cellAt(row, k)] : [])));
}

const countsLeftOut = (names: readonly string[]): string[] =>
  names.length === 0
    ? []
    : [`Counts among them (${some(names)}) were left out: they are compared as shares, in a table of their own.`];

/** A block whose cells hold many numbers, or whose readings stand under names of their own, with a reading a cell; and what was done. */
function takenApart(block: Rows): { block: string[][]; note: string; split: boolean } | undefined {
  const ways: [(block: Rows) => string[][] | undefined, string][] = [
    [figuresTold, 'Figures told in lines of text became a group a row.'],
    [valuesByName, 'The values of each name became a column of their own.'],
    [leavesApart, 'Stems and leaves were put together, a reading a leaf.'],
    [linesApart, 'Lines of many numbers were taken apart.'],
    [listsInCells, 'Cells of many readings were taken apart, a reading a row.'],
    [cellsNamed, 'Cells of a name and its reading were taken apart, a reading a row.'],
    [blocksBeside, 'Tables beside one another were put below one another.'],
    [sharesInGrid, 'The counts of each cell and what they are out of became a row.'],
    [groupsBelow, 'Groups below one another were put side by side.'],
    [sectionsApart, 'Names that stood over readings became a column beside them.'],
    [figuresInGrid, 'Means in a grid became a group a row.'],
    [
      answersApart,
      'The answers under each name are of other subjects: they stand below one another, the name beside each.',
    ],
    [outcomesTwice, 'Counts of what was found at two looks became a pair of outcomes a row.'],
    [crossedApart, 'Names that cross became columns beside what stood under them.'],
  ];
  for (const [way, note] of ways) {
    const found = way(block);
    if (!found) continue;
    const left = [
      ...(way === figuresInGrid && (block[0] ?? []).some((name) => pName.test(name.trim()))
        ? ['What a test made of them, p, was left out.']
        : []),
      ...(way === figuresInGrid ? countsLeftOut(countedRows(block)) : []),
    ];
    return {
      block: found,
      note: [note, ...left].join(' '),
      split:
        way === leavesApart ||
        way === linesApart ||
        way === listsInCells ||
        way === cellsNamed ||
        way === sectionsApart,
    };
  }
  return undefined;
}

/** The same, of a block that may hold a row twice: that row hides how its names cross. */
function apartOnce(block: Rows): ReturnType<typeof takenApart> {
  const once = withoutRowsTwice(block);
  const found = once && takenApart(once);
  if (!found) return takenApart(block);
  return { ...found, note: `${found.note} A row that stood twice was left out once.` };
}

/** What is made of columns before they are understood, one after another. */
const steps: readonly ((columns: readonly Incoming[]) => Worked)[] = [
  sizesInHeads,
  signsBehind,
  oneMarked,
  numberedWithin,
  pairsInCells,
  durations,
  marksRead,
  sharesOfSubjects,
  countsWithPercent,
  countsOfProportions,
  figureNames,
  (columns) => ({ columns: spreadsApart(columns), notes: [] }),
  geometricMeans,
  limitsApart,
];

const workedThrough = (columns: readonly Incoming[]): Worked =>
  steps.reduce<Worked>(
    (all, step) => {
      const made = step(all.columns);
      return { columns: made.columns, notes: [...all.notes, ...made.notes] };
    },
    { columns: [...columns], notes: [] },
  );

/**
 * Understands a block of texts as a table: which way round it stands, where its names and units stand, what each column
 * is, how it is laid out, and which cells are unclear. Every cell is kept just as it was written, unless it held several
 * numbers.
 * @param firstRow the block's first row in its sheet, from 0: for naming cells
 */
export function intake(whole: Rows, choice: IntakeChoice = {}, firstRow = 0): Intake {
  const filledColumns = withoutEmptyColumns(whole);
  const cornered = withCorner(filledColumns);
  const asIs = choice.heads !== undefined || choice.turned !== undefined;
  const keyed = asIs ? undefined : codesNamed(cornered ?? filledColumns);
  const keyless = keyed?.block ?? cornered ?? filledColumns;
  const worded = asIs ? undefined : withoutLinesBelow(keyless);
  const wordless = worded?.block ?? keyless;
  const alone = asIs ? undefined : withoutFigures(wordless);
  const given = alone?.block ?? wordless;
  const apart = asIs || choice.arranged === false ? undefined : apartOnce(given);
  const upright = apart?.block ?? given;
  const turned = choice.turned ?? (!choice.heads && !apart && isTurned(upright));
  const block = turned ? turnedUpright(upright) : upright;
  const heads = choice.heads ?? headsOf(block);
  const troubles: string[] = [];
  const notes: string[] = [
    ...(cornered ? ['The names stand over every column but the first, which names the rows.'] : []),
    ...(keyed ? [keyed.note] : []),
    ...(worded ? [worded.note] : []),
    ...(alone ? [alone.note] : []),
    ...(apart ? [apart.note] : []),
  ];
  let width = 0;
  for (const row of block) width = Math.max(width, row.length);
  if (width > limits.columns) {
    troubles.push(
      `A table holds at most ${limits.columns} columns, and this has ${width}: choose a smaller block, or split the file.`,
    );
    width = limits.columns;
  }
  const body = bodyOf(block, heads);
  const top = heads.skipped + heads.names + heads.units;
  const height = body.rows.length;
  if (height > limits.rows)
    troubles.push(
      `A table holds at most ${limits.rows} rows, and this has ${height}: choose a smaller block, or split the file.`,
    );
  if (body.repeated > 0)
    notes.push(
      body.repeated === 1
        ? 'A row that repeats the names was left out.'
        : `${body.repeated} rows that repeat the names were left out.`,
    );
  const rows = body.rows.slice(0, limits.rows);
  const raw: Incoming[] = namesAndUnits(block, heads, width).map(({ name, unit }, k) => ({
    name: name.slice(0, limits.name),
    unit,
    cells: rows.map((row) => cellAt(row, k)),
  }));
  const written = raw.filter((c) => c.name !== '' || c.cells.some((t) => t.trim() !== ''));
  const under = rowsBeside(written);
  const sums = under.some(({ kind }) => kind !== 'twice');
  const named = asIs || sums ? written : namesFilledDown(written);
  if (named !== written) notes.push('Names that stood once, over empty cells, were given to the rows below them.');
  // What sums up the rows below them sums up nothing where they become others.
  const summed = new Set(under.map(({ row }) => row));
  const beside =
    summed.size === 0 ? named : named.map((c) => ({ ...c, cells: c.cells.filter((_, r) => !summed.has(r)) }));
  const gathered =
    choice.arranged === false
      ? undefined
      : [replicatesGathered, subjectsAcross, conditionsGathered].reduce<Gathered | undefined>(
          (found, way) => found ?? way(beside, limits.rows),
          undefined,
        );
  const times = gathered?.times ?? 1;
  if (gathered) notes.push(gathered.note);
  if (gathered && sums) notes.push('Rows that sum up the others follow from them, and were left out.');
  if (gathered && under.some(({ kind }) => kind === 'twice')) notes.push('A row that stood twice was left out once.');
  const left = gathered ? height - summed.size : height;
  const filled = gathered?.columns ?? named;
  // What stands under the readings is not looked at, so that it cannot decide what they are.
  const skipped = new Map<number, Beside>(gathered ? [] : under.map(({ row, kind }) => [row, kind]));
  const above = (c: Incoming): Incoming =>
    skipped.size === 0 ? c : { ...c, cells: c.cells.filter((_, r) => !skipped.has(r)) };
  const { columns: worked, notes: said } = workedThrough(filled.length > 0 ? filled : raw);
  notes.push(...said);
  const units = withUnits(worked.map(above), choice.units);
  const incoming = worked.map((c, k) => ({ ...c, unit: units[k]?.unit ?? c.unit }));
  const rowOf = (row: number): number =>
    turned || apart ? row + 1 : firstRow + (body.at[Math.floor(row / times)] ?? top) + 1;
  incoming.forEach(({ cells, name }, k) => {
    const long = cells.findIndex((text) => text.length > limits.text);
    if (long >= 0)
      troubles.push(
        `A cell holds at most ${limits.text} characters, and row ${rowOf(long)} of “${name || `column ${k + 1}`}” has ${cells[long]?.length ?? 0}: shorten it in the file.`,
      );
  });
  const readings = incoming.map(above);
  const { best, others } = recognise(readings);
  const chosen =
    choice.shape === undefined ? best : (interpretations(readings).find((i) => i.shape === choice.shape) ?? best);
  const shared = sharedUnit(incoming, chosen);
  const roles = incoming.map((_, k): Role => choice.roles?.[k] ?? chosen.roles[k] ?? 'measure');
  const columns = incoming.map((c, k): Column => {
    const role = roles[k] ?? 'measure';
    const unit = c.unit || (role === 'measure' && choice.units?.[k] === undefined ? shared : '');
    const aside: Record<number, string> = {};
    for (const [row, kind] of skipped) if (textAt(c.cells, row) !== '') aside[row] = besideReasons[kind];
    return {
      id: `c${k}`,
      name: c.name,
      unit: isMeasured(role) ? unit : splitUnit(`x (${unit})`).unit && unit,
      role,
      decimal: choice.decimals?.[k] ?? (thousands(c, role, incoming, roles) ? 'point' : 'auto'),
      ...(choice.limits?.[k] ? { limits: choice.limits[k] } : {}),
      cells: c.cells,
      aside,
    };
  });
  // Figures alone are of one group, which needs a name.
  if (chosen.shape === 'summary' && !roles.includes('group') && choice.roles === undefined && rows.length === 1)
    columns.push({ ...emptyColumn(`c${columns.length}`, 'group', '', 'group'), cells: ['sample'] });
  const doubtful: Doubtful[] = [];
  let doubts = 0;
  columns.forEach((column, k) => {
    if (!isMeasured(column.role)) return;
    const found = doubtsOf(column);
    doubts += found.length;
    for (const doubt of found.slice(0, listed - doubtful.length)) doubtful.push({ ...doubt, column: k });
  });
  const spread = columns.find((c) => c.role === 'spread')?.name ?? '';
  return {
    heads,
    turned,
    times,
    arranged: apart !== undefined || gathered !== undefined,
    split: apart?.split ?? false,
    others: choice.shape === undefined ? others : [],
    doubtful,
    doubts,
    troubles,
    notes,
    table: {
      measure: '',
      subject: subjectNoun(columns.find((c) => c.role === 'subject')?.name ?? ''),
      shape: choice.shape ?? chosen.shape,
      average: false,
      spread: spreadKind(spread) ?? 'sd',
      level: levelIn(spread),
      rowCount: Math.max(0, Math.min(left * times, limits.rows)),
      columns,
    },
  };
}

/** The one unit that some of the groups have, where each column is a group. */
function sharedUnit(incoming: readonly Incoming[], { shape, roles }: Interpretation): string {
  if (shape !== 'columns' && shape !== 'repeated' && shape !== 'grid') return '';
  const units = new Set(incoming.flatMap((c, k) => (roles[k] === 'measure' && c.unit ? [c.unit] : [])));
  return units.size === 1 ? nth([...units], 0) : '';
}
