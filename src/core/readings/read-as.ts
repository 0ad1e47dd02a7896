import { readColumn } from './read-column';
import { recognise } from './recognise';
import type { Role, Shape, Table } from './table';
import type { TableEdit } from './table-edit';

/** The roles columns have when a table is read in a given shape: those it has where they fit, else the likeliest. */
function rolesFor(table: Table, shape: Shape): Role[] {
  const found = recognise(table.columns.map((c) => ({ name: c.name, unit: c.unit, cells: c.cells })));
  const numeric = table.columns.map((c) => {
    const { used, unread } = readColumn(c);
    return used.length > 0 && used.length >= unread.length;
  });
  const guessed = (i: number): Role => found.roles[i] ?? 'measure';
  const beside = (i: number): Role => {
    const role = table.columns[i]?.role ?? 'label';
    return role === 'subject' || role === 'label' || role === 'group'
      ? role
      : guessed(i) === 'subject'
        ? 'subject'
        : 'group';
  };
  switch (shape) {
    case 'columns':
    case 'repeated':
      return numeric.map((is, i) => {
        if (is || table.columns[i]?.cells.length === 0)
          return table.columns[i]?.role === 'subject' ? 'subject' : 'measure';
        return guessed(i) === 'group' || guessed(i) === 'subject'
          ? shape === 'repeated'
            ? 'subject'
            : 'label'
          : 'label';
      });
    case 'rows':
      return numeric.map((is, i) => (is && guessed(i) !== 'group' && guessed(i) !== 'subject' ? 'measure' : beside(i)));
    case 'grid':
      return numeric.map((is, i) => (i === 0 || !is ? 'group' : 'measure'));
    case 'counts':
      return numeric.map((is, i) => (is && i > 0 ? 'count' : 'group'));
    case 'categories':
      return numeric.map((_, i) =>
        table.columns[i]?.role === 'subject' || guessed(i) === 'subject'
          ? 'subject'
          : guessed(i) === 'label'
            ? 'label'
            : 'group',
      );
    case 'summary': {
      const order: Role[] = ['measure', 'spread', 'count'];
      return found.shape === 'summary' ? found.roles : numeric.map((is) => (is ? (order.shift() ?? 'label') : 'group'));
    }
  }
}

/** The edits that read a table in another way: nothing moves, only what its columns are taken for. */
export function readAsEdits(table: Table, shape: Shape): TableEdit[] {
  // Read so already: whatever roles the columns have were given with that in mind.
  if (shape === table.shape) return [];
  const roles = rolesFor(table, shape);
  // One column names the subjects.
  const subject = roles.indexOf('subject');
  const edits: TableEdit[] = table.columns.flatMap((column, i): TableEdit[] => {
    const role = roles[i] === 'subject' && i !== subject ? 'label' : (roles[i] ?? column.role);
    return role === column.role ? [] : [{ kind: 'describe-column', column: column.id, role }];
  });
  return [...edits, { kind: 'describe-table', shape }];
}

const likeness = new WeakMap<Table, { shape: Shape | undefined }>();

/** Another shape that a table looks like, if it is not read as it looks; undefined when there is nothing to say. */
export function looksLike(table: Table): Shape | undefined {
  const before = likeness.get(table);
  if (before) return before.shape;
  const shape = likelier(table);
  likeness.set(table, { shape });
  return shape;
}

function likelier(table: Table): Shape | undefined {
  if (table.rowCount < 2 || table.columns.some((c) => c.formula)) return undefined;
  const { shape } = recognise(table.columns.map((c) => ({ name: c.name, unit: c.unit, cells: c.cells.slice(0, 500) })));
  // Columns of numbers alone may be either; so may rows that name a subject.
  const alike = (a: Shape, b: Shape): boolean =>
    [a, b].every((s) => s === 'columns' || s === 'repeated') || [a, b].every((s) => s === 'rows' || s === 'grid');
  return shape === table.shape || alike(shape, table.shape) ? undefined : shape;
}
