import { Blind } from './blinding';
import * as v from 'valibot';
import { Described } from './described';
import { Formula } from './formula';
import { type Table, groupLooks, limitRules, roles, shapes, spreadKinds } from './table';

/** Limits that keep one table within what the page and the database answer quickly. */
export const limits = { rows: 200_000, columns: 400, text: 2_000, name: 200, unit: 40 };

const Id = v.pipe(v.string(), v.minLength(1), v.maxLength(40));
const Text = v.pipe(v.string(), v.maxLength(limits.text, `A cell holds at most ${limits.text} characters.`));
const Row = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(limits.rows));
/** A name that is not made of invisible characters alone: two such would look alike, and like none. */
export const isSeen = (name: string): boolean => name.trim() === '' || /[^\p{C}\p{Z}\p{M}]/u.test(name);
const Name = v.pipe(
  v.string(),
  v.maxLength(limits.name, `A name may have at most ${limits.name} characters.`),
  v.check(isSeen, 'A name of invisible characters cannot be told from none: type one that shows.'),
);
const Unit = v.pipe(v.string(), v.maxLength(limits.unit, `A unit may have at most ${limits.unit} characters.`));
const Aside = v.record(v.pipe(v.string(), v.regex(/^\d{1,6}$/, 'A row is a whole number, counted from 0.')), Text);
const Settled = v.record(v.pipe(v.string(), v.maxLength(40)), v.pipe(v.string(), v.maxLength(200)));
const Level = v.pipe(
  v.number(),
  v.minValue(0.5, 'A level of 50 % or more, written 0.5, is needed.'),
  v.maxValue(0.9999, 'A level of at most 99.99 %, written 0.9999, is needed.'),
);
const Content = v.record(Id, v.object({ cells: v.array(Text), aside: Aside }));
const Role = v.picklist(roles, `A column’s role is one of ${roles.join(', ')}.`);
const Decimal = v.picklist(['auto', 'point', 'comma'], 'Decimals are auto, point or comma.');
const Colour = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(groupLooks - 1));
export const Limits = v.picklist(limitRules, `Cells beyond a limit count as one of ${limitRules.join(', ')}.`);
const Levels = v.array(
  v.object({ id: v.pipe(v.string(), v.minLength(1), v.maxLength(200)), name: Name, colour: v.optional(Colour) }),
);

/** A column as it is sent and kept. */
const ColumnSchema = v.object({
  id: Id,
  name: Name,
  unit: Unit,
  role: Role,
  decimal: Decimal,
  cells: v.array(Text),
  aside: Aside,
  limits: v.optional(Limits),
  colour: v.optional(Colour),
  levels: v.optional(Levels),
  formula: v.optional(Formula),
  note: v.optional(Text),
});

/** What can be said of a column; null takes an optional part away. */
const columnParts = {
  name: v.optional(Name),
  unit: v.optional(Unit),
  role: v.optional(Role),
  decimal: v.optional(Decimal),
  limits: v.optional(v.nullable(Limits)),
  colour: v.optional(v.nullable(Colour)),
  levels: v.optional(v.nullable(Levels)),
  formula: v.optional(v.nullable(Formula)),
  note: v.optional(v.nullable(Text)),
};

/** What can be said of a table as a whole. */
const tableParts = {
  name: v.optional(Name),
  measure: v.optional(Name),
  subject: v.optional(Name),
  shape: v.optional(v.picklist(shapes, `A table’s shape is one of ${shapes.join(', ')}.`)),
  average: v.optional(v.boolean()),
  spread: v.optional(v.picklist(spreadKinds, `The spread is one of ${spreadKinds.join(', ')}.`)),
  level: v.optional(Level),
  settled: v.optional(v.nullable(Settled)),
  described: v.optional(v.nullable(Described)),
  blind: v.optional(v.nullable(Blind)),
};

/** A whole new table, as an import makes it. */
export const TableDraft = v.pipe(
  v.object({
    name: Name,
    measure: Name,
    subject: Name,
    shape: v.picklist(shapes),
    average: v.boolean(),
    spread: v.picklist(spreadKinds),
    level: Level,
    settled: v.optional(Settled),
    described: v.optional(Described),
    blind: v.optional(Blind),
    rowCount: Row,
    columns: v.pipe(
      v.array(ColumnSchema),
      v.maxLength(limits.columns, `A table holds at most ${limits.columns} columns.`),
    ),
  }),
  v.check(
    (t) => t.columns.every((c) => c.cells.length <= t.rowCount),
    'A column has more cells than the table has rows.',
  ),
  v.check((t) => new Set(t.columns.map((c) => c.id)).size === t.columns.length, 'Two columns have the same id.'),
);
export type TableDraft = v.InferOutput<typeof TableDraft>;

/** A table as a draft: without an id, and free to be kept under a new one. */
export function draftOf({ id: _, ...table }: Table): TableDraft {
  return structuredClone(table) as TableDraft;
}

/** One change to a table. Each is undone by the changes `applyEdit` returns beside its result. */
export const TableEdit = v.variant('kind', [
  /** Writes a block of texts, its rows from `row` down, its columns those named. Rows are added as needed. */
  v.object({ kind: v.literal('write'), row: Row, columns: v.array(Id), texts: v.array(v.array(Text)) }),
  v.object({ kind: v.literal('insert-rows'), at: Row, count: Row, content: v.optional(Content) }),
  v.object({ kind: v.literal('remove-rows'), at: Row, count: Row }),
  /** Puts `count` rows from `at` on before what stands at `to` once they are taken out. */
  v.object({ kind: v.literal('move-rows'), at: Row, count: Row, to: Row }),
  /** Puts all rows into another order: `order[i]` is the row that comes to place i. */
  v.object({ kind: v.literal('order-rows'), order: v.array(Row) }),
  v.object({ kind: v.literal('insert-column'), at: Row, column: ColumnSchema }),
  v.object({ kind: v.literal('remove-column'), column: Id }),
  v.object({ kind: v.literal('move-column'), column: Id, to: Row }),
  v.object({ kind: v.literal('describe-column'), column: Id, ...columnParts }),
  v.object({ kind: v.literal('describe-table'), ...tableParts }),
  /** Sets cells aside with a reason, or brings them back (reason null). */
  v.object({
    kind: v.literal('set-aside'),
    cells: v.array(v.object({ column: Id, row: Row, reason: v.nullable(Text) })),
  }),
]);
export type TableEdit = v.InferOutput<typeof TableEdit>;
export type EditOf<K extends TableEdit['kind']> = Extract<TableEdit, { kind: K }>;

/** What an edit makes of a table, and what takes it back. */
export interface Edited {
  table: Table;
  inverse: TableEdit[];
}
