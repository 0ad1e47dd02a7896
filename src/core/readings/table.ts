/** The model of a table of readings. Immutable: an edit makes a new table that shares what it did not touch. */
import type { Blind } from './blinding';
import type { Described } from './described';
import type { Formula } from './formula';

/**
 * What a column is. `spread` belongs to summary figures: the SD, SEM … beside a mean; `total` to counts: what a count is
 * out of.
 */
export const roles = ['measure', 'group', 'subject', 'label', 'count', 'spread', 'total'] as const;
export type Role = (typeof roles)[number];

/** Whether a role holds numbers; the others hold names. */
export const isMeasured = (role: Role): boolean =>
  role === 'measure' || role === 'count' || role === 'spread' || role === 'total';

/**
 * What a cell such as "<0.05" counts as: nothing (it is left out), what it is (censored: below that limit), the limit
 * itself, or half of it. ">9" has no half, so
 * it is left out unless limits are taken as they stand.
 */
export const limitRules = ['leave', 'censored', 'at', 'half'] as const;
export type LimitRule = (typeof limitRules)[number];

/** How a comma in a number is read. `auto` decides from the whole column, and asks where it cannot. */
export type DecimalMark = 'auto' | 'point' | 'comma';

/**
 * How the table is laid out:
 * - `columns`: each measure column holds one group's readings, its rows unconnected;
 * - `repeated`: the same, but each row is one subject measured under every column's condition;
 * - `rows`: each row is one reading, its groups named in group columns;
 * - `grid`: the first group column names the rows' level, each measure column is a level of a second factor, rows of the
 *   same level are replicates;
 * - `counts`: counts already tabulated, the first group column naming the rows, each count column a category;
 * - `categories`: each row one subject in a category of each group column, to be counted;
 * - `summary`: each row is a group of which only mean, spread and n are known.
 */
export const shapes = ['columns', 'rows', 'repeated', 'grid', 'counts', 'categories', 'summary'] as const;
export type Shape = (typeof shapes)[number];

/** What the spread beside a mean is: of the readings (SD, variance) or of the mean (SEM, half-width of an interval). */
export const spreadKinds = ['sd', 'variance', 'sem', 'interval'] as const;
export type SpreadKind = (typeof spreadKinds)[number];

/** How many groups look unlike: eight colours, and past them the same with other markers. */
export const groupLooks = 64;

/** A group within a group column. The id stays when the name changes, so that questions keep pointing at it. */
export interface Level {
  readonly id: string;
  readonly name: string;
  /** Place among the looks of groups; undefined for the place in the order. */
  readonly colour?: number | undefined;
}

export interface Column {
  readonly id: string;
  readonly name: string;
  /** Unit of the readings, as it is to be printed; empty for none. */
  readonly unit: string;
  readonly role: Role;
  readonly decimal: DecimalMark;
  /** The text of each cell, top to bottom, just as it was typed. Empty text is an empty cell. */
  readonly cells: readonly string[];
  /** Cells set aside: row (from 0) → the reason given. */
  readonly aside: Readonly<Record<number, string>>;
  /** What cells beyond a limit count as; left out unless said otherwise. */
  readonly limits?: LimitRule | undefined;
  /** Colour of the group this column is, as in `Level`. */
  readonly colour?: number | undefined;
  /** Of a group column: its groups in order, as far as they were put in order, renamed or coloured. */
  readonly levels?: readonly Level[] | undefined;
  /** Whether its cells are the logarithms of the readings. */
  readonly logged?: true;
  /** What a derived column is computed from; its `cells` are empty then. */
  readonly formula?: Formula | undefined;
  /** How the cells came about when they were drawn rather than measured, in words with the seed. */
  readonly note?: string | undefined;
}

/** A table of readings. */
export interface Table {
  readonly id: string;
  readonly name: string;
  /** What was measured: "blade length". Where measure columns carry names of their own, those go before it. */
  readonly measure: string;
  /** What one independent sample is: "seedling". */
  readonly subject: string;
  readonly shape: Shape;
  /** Whether several readings of one subject within a group are averaged before comparing. */
  readonly average: boolean;
  /** What a `summary` table's spread column holds; `level` is the interval's. */
  readonly spread: SpreadKind;
  readonly level: number;
  /** What the person said where the table was unclear: the doubt, and what it is, such as a column's id. */
  readonly settled?: Readonly<Record<string, string>> | undefined;
  /** What is shown of its description; the usual where nobody chose. */
  readonly described?: Described | undefined;
  /** That its groups stand under letters, or did. */
  readonly blind?: Blind | undefined;
  readonly rowCount: number;
  readonly columns: readonly Column[];
}

/** The column of this id, if the table has it. */
export const findColumn = (table: Table, id: string | undefined): Column | undefined =>
  table.columns.find((c) => c.id === id);

/** A column's name, or what to call it while it has none. */
export const called = (column: Pick<Column, 'name'> | undefined, unnamed = 'unnamed column'): string =>
  column && column.name !== '' ? column.name : unnamed;

/** The table's columns of a role, in order. */
export const columnsOf = (table: Table, role: Role): Column[] => table.columns.filter((c) => c.role === role);

/** A column without readings. */
export const emptyColumn = (id: string, name: string, unit = '', role: Role = 'measure'): Column => ({
  id,
  name,
  unit,
  role,
  decimal: 'auto',
  cells: [],
  aside: {},
});

/** A table of these columns; one column per group unless said otherwise. */
export function tableOf(columns: readonly Column[], more: Partial<Omit<Table, 'columns'>> = {}): Table {
  return {
    id: '',
    name: '',
    measure: '',
    subject: '',
    shape: 'columns',
    average: false,
    spread: 'sd',
    level: 0.95,
    rowCount: Math.max(0, ...columns.map((c) => c.cells.length)),
    columns,
    ...more,
  };
}

/** A table to type into: a column for each of two groups. */
export const emptyTable = (name: string): Table =>
  tableOf([emptyColumn('a', 'Group 1'), emptyColumn('b', 'Group 2')], { name });

/** "blade length (mm)": a name with its unit, as an axis or a sentence prints it. */
export const withUnit = (name: string, unit: string): string => (unit ? `${name} (${unit})` : name);
