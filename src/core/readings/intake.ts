import { type Doubt, doubtsOf } from './doubtful';
import { type Heads, headsOf, namesAndUnits } from './heads';
import { type Incoming, type Recognised, recognise } from './recognise';
import { limits } from './table-edit';
import { type Column, type DecimalMark, type LimitRule, type Role, type Shape, type Table, isMeasured } from './table';
import { isUnit, splitUnit } from './units';

/** What the person has decided about a block coming in, instead of what was understood. */
export interface IntakeChoice {
  heads?: Heads;
  shape?: Shape;
  /** By column, from 0. */
  roles?: Readonly<Record<number, Role>>;
  decimals?: Readonly<Record<number, DecimalMark>>;
  units?: Readonly<Record<number, string>>;
  limits?: Readonly<Record<number, LimitRule>>;
}

/** A doubtful cell of a block; its row is counted from 1 in the sheet. */
export interface Doubtful extends Doubt {
  column: number;
}

/** A block understood as a table. */
export interface Intake {
  heads: Heads;
  table: Omit<Table, 'id' | 'name'>;
  doubtful: Doubtful[];
  /** How many cells are doubtful in all, when not all of them are listed. */
  doubts: number;
  /** What was left because it does not fit. */
  troubles: string[];
}

/** Doubtful cells listed one by one; the rest are counted. */
const listed = 500;

/** The unit that cells carry themselves, "12 mm", if all that carry one carry the same. */
function unitInCells(cells: readonly string[]): string {
  let unit = '';
  for (const cell of cells) {
    const found = /^[+−-]?[\d.,]+\s*([^\d\s.,].*)$/u.exec(cell.trim())?.[1];
    if (found === undefined || !isUnit(found)) continue;
    if (unit && unit !== found) return '';
    unit = found;
  }
  return unit;
}

/**
 * Understands a block of texts as a table: where its names and units stand, what each column is, how it is laid out, and
 * which cells are unclear. Every cell is kept just as it was written.
 * @param firstRow the block's first row in its sheet, from 0: for naming cells
 */
export function intake(block: readonly (readonly string[])[], choice: IntakeChoice = {}, firstRow = 0): Intake {
  const heads = choice.heads ?? headsOf(block);
  const troubles: string[] = [];
  let width = 0;
  for (const row of block) width = Math.max(width, row.length);
  if (width > limits.columns) {
    troubles.push(
      `A table holds at most ${limits.columns} columns, and this has ${width}: choose a smaller block, or split the file.`,
    );
    width = limits.columns;
  }
  const top = heads.skipped + heads.names + heads.units;
  const height = block.length - top;
  if (height > limits.rows)
    troubles.push(
      `A table holds at most ${limits.rows} rows, and this has ${height}: choose a smaller block, or split the file.`,
    );
  const named = namesAndUnits(block, heads, width);
  const incoming: Incoming[] = named.map(({ name, unit }, k) => {
    const cells: string[] = [];
    for (let r = top; r < block.length && cells.length < limits.rows; r++) cells.push(block[r]?.[k] ?? '');
    return { name: name.slice(0, limits.name), unit, cells };
  });
  // "12 mm" in the cells gives the column its unit. But where every cell of the first column carries one and others do
  // without, "9 °C" and "12 °C" are names of groups.
  const own = incoming.map(({ unit, cells }) => unit || unitInCells(cells));
  const levels =
    incoming.length > 1 &&
    incoming[0]?.unit === '' &&
    own.slice(1).some((unit, k) => unit === incoming[k + 1]?.unit) &&
    incoming[0].cells.every((cell) => cell.trim() === '' || unitInCells([cell]) !== '');
  incoming.forEach((c, k) => {
    if (k > 0 || !levels) c.unit = own[k] ?? '';
    c.unit = (choice.units?.[k] ?? c.unit).slice(0, limits.unit);
  });
  incoming.forEach(({ cells, name }, k) => {
    const long = cells.findIndex((text) => text.length > limits.text);
    if (long >= 0)
      troubles.push(
        `A cell holds at most ${limits.text} characters, and row ${firstRow + top + long + 1} of “${name || `column ${k + 1}`}” has ${cells[long]?.length ?? 0}: shorten it in the file.`,
      );
  });
  const found: Recognised = recognise(incoming);
  const columns = incoming.map(({ name, unit, cells }, k): Column => {
    const role = choice.roles?.[k] ?? found.roles[k] ?? 'measure';
    return {
      id: `c${k}`,
      name,
      unit: isMeasured(role) ? unit : splitUnit(`x (${unit})`).unit && unit,
      role,
      decimal: choice.decimals?.[k] ?? 'auto',
      ...(choice.limits?.[k] ? { limits: choice.limits[k] } : {}),
      cells,
      aside: {},
    };
  });
  const doubtful: Doubtful[] = [];
  let doubts = 0;
  columns.forEach((column, k) => {
    if (!isMeasured(column.role)) return;
    const found = doubtsOf(column);
    doubts += found.length;
    for (const doubt of found.slice(0, listed - doubtful.length))
      doubtful.push({ ...doubt, column: k, row: firstRow + top + doubt.row + 1 });
  });
  const subject = columns.find((c) => c.role === 'subject')?.name.toLowerCase() ?? '';
  return {
    heads,
    doubtful,
    doubts,
    troubles,
    table: {
      measure: '',
      subject: /^(id|no\.?|number|code|#)$/.test(subject) ? '' : subject,
      shape: choice.shape ?? found.shape,
      average: false,
      spread: spreadKindOf(columns),
      level: 0.95,
      rowCount: Math.max(0, Math.min(height, limits.rows)),
      columns,
    },
  };
}

/** What kind of spread a summary column's name says it holds. */
function spreadKindOf(columns: readonly Column[]): Table['spread'] {
  const name = columns.find((c) => c.role === 'spread')?.name.toLowerCase() ?? '';
  if (/\bvar/.test(name)) return 'variance';
  if (/\b(sem|se|s\.e\.|standard error)/.test(name)) return 'sem';
  return /\b(ci|interval|half)/.test(name) ? 'interval' : 'sd';
}
