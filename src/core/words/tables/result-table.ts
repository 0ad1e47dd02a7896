/** A table of an answer as data: the page, the clipboard, a document and the API write it in their own way. */
import type { Interval } from '../../procedures/interval';
import { between, fixed, pValue, significant, smallP } from '../numbers';
import { type Phrase, type Text, plain } from '../text';

/** What stands in a cell: its text, and the number, or the two ends of an interval, it was written from. */
export interface Cell {
  text: string;
  /** The same with statistics marked up. */
  told?: Text;
  value?: number | Interval;
  /** What a page adds small below. */
  below?: string;
  /** Whether it stands out upward or downward. */
  tone?: '+' | '−';
}

/** A column: its heading, with statistics marked up, the unit of what it holds, and what the heading means. */
export interface Column {
  heading: Text;
  unit?: string;
  hint?: string;
  /** Words, set from the left. */
  words?: boolean;
  /** Gives way to the drawn effects where there is no room for both. */
  minor?: boolean;
  /** Place among the group colours, where it is a group. */
  colour?: number;
}

/** A line: what it is about, its cells, and how it stands among the others. */
export interface Row {
  head: Text;
  cells: Cell[];
  /** Why it has no cells. */
  reason?: string;
  /** Place among the group colours. */
  colour?: number;
  /** The part of the table it belongs to, where there are several. */
  section?: string;
  /** The effect it tells, to be drawn on the axis of the question's effects. */
  effect?: { estimate: number; interval?: Interval | undefined; significant: boolean };
  /** Set apart as the one that matters, or as a sum under a rule. */
  weight?: 'main' | 'total';
}

/** What a table of an answer is about. */
export type ResultTableKind =
  | 'groups'
  | 'cells'
  | 'source'
  | 'difference'
  | 'counts'
  | 'effects'
  | 'comparisons'
  | 'test'
  | 'variances'
  | 'description'
  | 'other-methods'
  | 'directions'
  | 'spendings'
  | 'critical';

/** A table with its title; the first column holds the heads of its rows. */
export interface ResultTable {
  kind: ResultTableKind;
  title: string;
  columns: [Column, ...Column[]];
  rows: Row[];
  notes: Text[];
  /** What stands small below in the cells, where a page shows it. */
  below?: string;
  /** Whether its figures stand down it, each in a row. */
  turned?: boolean;
}

/** The same as texts, as it stands in a write-up; the first cell of a row is its head. */
export interface TextTable {
  title: string;
  head: Text[];
  rows: Text[][];
  notes?: string[];
  /** Columns that hold words, set from the left as the first is. */
  words?: number[];
}

const dash = '–';

/** Words in a cell. */
export const words = (text: string): Cell => ({ text });

/** A whole number in a cell. */
export const count = (n: number): Cell => ({ text: String(n), value: n });

/** A number with so many decimals; a dash where there is none. */
export const number = (x: number | undefined, decimals: number): Cell =>
  x === undefined ? { text: dash } : { text: fixed(x, decimals), value: x };

/** A number with so many significant figures; a dash where there is none. */
export const figures = (x: number | undefined, digits: number): Cell =>
  x === undefined ? { text: dash } : { text: significant(x, digits), value: x };

/** An interval; a dash where there is none. */
export const interval = (of: Interval | undefined, decimals?: number): Cell =>
  of ? { text: between(of, decimals), value: of } : { text: dash };

/** A statistic: three decimals, as many figures as are read where it is large. */
export const statistic = (x: number | undefined): Cell =>
  x === undefined || Math.abs(x) < 1e4 ? number(x, 3) : figures(x, 4);

/** A p-value; under 0.001 its size goes with it, so that nothing is hidden behind the sign. */
export const pCell = (p: number, log10P?: number): Cell => ({
  text: pValue(p),
  value: p,
  ...(p < 0.001 ? { below: smallP(p, 3, log10P) } : {}),
});

/** Nothing, where nothing is expected. */
export const empty: Cell = { text: '' };

/** A column of numbers under a heading of plain words or with a statistic in it. */
export const column = (heading: Phrase | Text, rest: Omit<Column, 'heading'> = {}): Column => ({
  heading: Array.isArray(heading) ? heading : [heading],
  ...rest,
});

/** A column's heading with its unit, as plain words. */
export const headingOf = ({ heading, unit }: Column): string => `${plain(heading)}${unit ? ` (${unit})` : ''}`;

/** A table as texts; the part a row belongs to is told with its head. */
export const asText = ({ title, columns, rows, notes }: ResultTable): TextTable => ({
  title,
  head: columns.map(({ heading, unit }) => (unit ? [...heading, ` (${unit})`] : heading)),
  rows: rows.map(({ head, section, cells, reason }) => [
    section === undefined ? head : [...head, `, ${section}`],
    ...(reason === undefined ? cells.map((c) => [c.text]) : columns.slice(1).map((_, j) => [j === 0 ? reason : ''])),
  ]),
  ...(notes.length > 0 ? { notes: notes.map(plain) } : {}),
  ...(columns.some((c) => c.words) ? { words: columns.flatMap((c, j) => (c.words ? [j] : [])) } : {}),
});

/** The table turned round: what its rows told, its columns tell. A unit goes with the figure it belongs to. */
export const turnedTable = (table: ResultTable): ResultTable => ({
  ...table,
  turned: !table.turned,
  columns: [
    table.columns[0],
    ...table.rows.map(({ head, colour }): Column => ({ heading: head, ...(colour === undefined ? {} : { colour }) })),
  ],
  rows: table.columns.slice(1).map(({ heading, unit }, j) => ({
    head: unit ? [...heading, ` (${unit})`] : heading,
    cells: table.rows.map(({ cells }) => cells[j] ?? empty),
  })),
});
