import { withoutBeside } from '../readings/beside';
import { readColumn } from '../readings/read-column';
import type { Role, Shape, Table } from '../readings/table';
import type { TableEdit } from '../readings/table-edit';
import type { Interpretation } from './interpretation';
import { interpretations, recognise } from './recognise';
import { isBlank, scaffoldEdits } from './scaffold';
import type { Incoming } from './seen';

/** Rows that are looked at to tell what a standing table is. */
const looked = 600;

/** A table's columns as if they had just come in. */
const incomingOf = (table: Table): Incoming[] =>
  withoutBeside(table).map((c) => ({ name: c.name, unit: c.unit, cells: c.cells.slice(0, looked) }));

/** The roles columns have when a table is read in a given shape: those that were found for it, else the likeliest. */
function rolesFor(table: Table, shape: Shape): Role[] {
  const found = interpretations(incomingOf(table)).find((i) => i.shape === shape);
  if (found) return found.roles;
  const numeric = table.columns.map((c) => {
    const { used, unread } = readColumn(c);
    return used.length > 0
      ? used.length >= unread.length
      : c.cells.every((t) => t.trim() === '') && c.role !== 'group' && c.role !== 'subject';
  });
  const kept = (i: number): Role => {
    const role = table.columns[i]?.role ?? 'label';
    return role === 'subject' || role === 'label' || role === 'group' ? role : 'label';
  };
  const named = numeric.indexOf(false);
  switch (shape) {
    case 'columns':
      return numeric.map((is, i) => (is ? (table.columns[i]?.role === 'subject' ? 'subject' : 'measure') : 'label'));
    case 'repeated':
      return numeric.map((is, i) =>
        is ? (table.columns[i]?.role === 'subject' ? 'subject' : 'measure') : i === named ? 'subject' : 'label',
      );
    case 'rows':
      return numeric.map((is, i) => (is ? 'measure' : i === named ? 'group' : kept(i)));
    case 'grid':
      return numeric.map((is, i) => (i === 0 || !is ? 'group' : 'measure'));
    case 'counts':
      return numeric.map((is, i) => (is && i > 0 ? 'count' : 'group'));
    case 'categories':
      return numeric.map((_, i) => (kept(i) === 'label' ? 'group' : kept(i)));
    case 'summary': {
      const order: Role[] = ['measure', 'spread', 'count'];
      return numeric.map((is) => (is ? (order.shift() ?? 'label') : 'group'));
    }
  }
}

/** The edits that give a table a layout and its columns their roles: nothing moves, only what it is taken for. */
function edits(table: Table, shape: Shape, roles: readonly Role[]): TableEdit[] {
  // One column names the subjects.
  const subject = roles.indexOf('subject');
  const described = table.columns.flatMap((column, i): TableEdit[] => {
    const role = roles[i] === 'subject' && i !== subject ? 'label' : (roles[i] ?? column.role);
    return role === column.role ? [] : [{ kind: 'describe-column', column: column.id, role }];
  });
  return [...described, ...(shape === table.shape ? [] : [{ kind: 'describe-table', shape } as const])];
}

/** The edits that read a table in another way. */
export function readAsEdits(table: Table, shape: Shape): TableEdit[] {
  // Read so already: whatever roles the columns have were given with that in mind.
  return shape === table.shape ? [] : edits(table, shape, rolesFor(table, shape));
}

/** The edits for a layout chosen by hand: an empty table gets the columns it needs, any other is read so. */
export const layoutEdits = (table: Table, shape: Shape): TableEdit[] =>
  isBlank(table) ? scaffoldEdits(table, shape) : readAsEdits(table, shape);

/** The edits that read a table as an interpretation has it. */
export const interpretedEdits = (table: Table, { shape, roles }: Interpretation): TableEdit[] =>
  edits(table, shape, roles);

const likeness = new WeakMap<Table, { best: Interpretation; others: Interpretation[] }>();

/** How a standing table would be read if it had just come in. */
export function likelier(table: Table): { best: Interpretation; others: Interpretation[] } {
  const before = likeness.get(table);
  if (before) return before;
  const found = recognise(incomingOf(table));
  likeness.set(table, found);
  return found;
}

/** Another shape that a table looks like, if it is not read as it looks; undefined when there is nothing to say. */
export function looksLike(table: Table): Shape | undefined {
  if (table.rowCount < 2 || table.columns.some((c) => c.formula)) return undefined;
  const { best, others } = likelier(table);
  // Columns of numbers alone may be either; so may rows that name a subject; and what is about as likely is as good.
  const alike = (a: Shape, b: Shape): boolean =>
    [a, b].every((s) => s === 'columns' || s === 'repeated') || [a, b].every((s) => s === 'rows' || s === 'grid');
  return best.shape === table.shape || alike(best.shape, table.shape) || others.some((o) => o.shape === table.shape)
    ? undefined
    : best.shape;
}
