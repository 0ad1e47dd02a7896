/** The model of a table of readings. Immutable: an edit makes a new table that shares what it did not touch. */

/** What a column is. */
export type Role = 'measure' | 'group' | 'subject' | 'label' | 'count';

/** How a comma in a number is read. `auto` decides from the whole column, and asks where it cannot. */
export type DecimalMark = 'auto' | 'point' | 'comma';

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
}

/** One column per group: each column holds readings of the same measure, each row one reading. */
export interface Table {
  readonly id: string;
  readonly name: string;
  /** What was measured: "blade length". */
  readonly measure: string;
  /** What one independent sample is: "seedling". */
  readonly subject: string;
  readonly rowCount: number;
  readonly columns: readonly Column[];
}

/** The column of this id, if the table has it. */
export const findColumn = (table: Table, id: string): Column | undefined => table.columns.find((c) => c.id === id);

/** A column without readings. */
export const emptyColumn = (id: string, name: string, unit = ''): Column => ({
  id,
  name,
  unit,
  role: 'measure',
  decimal: 'auto',
  cells: [],
  aside: {},
});

/** "blade length (mm)": a name with its unit, as an axis or a sentence prints it. */
export const withUnit = (name: string, unit: string): string => (unit ? `${name} (${unit})` : name);
