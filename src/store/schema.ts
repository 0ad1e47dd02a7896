import { index, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { FigureStyle } from '../core/figures/figure-style';
import type { Question } from '../core/question/question';
import type { Blind } from '../core/readings/blinding';
import type { Described } from '../core/readings/described';
import type { Formula } from '../core/readings/formula';
import { type Level, limitRules, roles, shapes, spreadKinds } from '../core/readings/table';
import type { TableEdit } from '../core/readings/table-edit';
import { eventKinds } from '../core/study/content';
import type { WriteUp } from '../core/write-up/document';

/** Times are ISO 8601 in UTC. A revision counts the accepted changes; a write must name the one it started from. */
export const studies = sqliteTable('studies', {
  id: text().primaryKey(),
  title: text().notNull(),
  createdAt: text().notNull(),
  changedAt: text().notNull(),
  /** Set while a deleted study can still be brought back. */
  deletedAt: text(),
  /** How many lines its log has: what was done counts up from 1, whatever the clock says. */
  lines: integer().notNull().default(0),
});

const line = () => integer().notNull().default(0);

const study = () =>
  text()
    .notNull()
    .references(() => studies.id, { onDelete: 'cascade' });

export const tables = sqliteTable(
  'tables',
  {
    id: text().primaryKey(),
    studyId: study(),
    position: integer().notNull(),
    name: text().notNull(),
    measure: text().notNull(),
    subject: text().notNull(),
    shape: text({ enum: shapes }).notNull().default('columns'),
    average: integer({ mode: 'boolean' }).notNull().default(false),
    spread: text({ enum: spreadKinds }).notNull().default('sd'),
    level: real().notNull().default(0.95),
    /** What the person said where it was unclear. */
    settled: text({ mode: 'json' }).$type<Record<string, string>>(),
    /** What is shown of its description. */
    described: text({ mode: 'json' }).$type<Described>(),
    /** That its groups stand under letters, or did. */
    blind: text({ mode: 'json' }).$type<Blind>(),
    rowCount: integer().notNull(),
    revision: integer().notNull(),
    createdAt: text().notNull().default(''),
    /** Who put it in. */
    by: text().notNull().default(''),
    /** The line of the study's log that tells of its making. */
    line: line(),
    /** Where its readings came from, in words: typed, a file, another table. */
    origin: text().notNull().default(''),
    /** Set while a removed table can still be brought back. */
    deletedAt: text(),
  },
  (t) => [index('tables_by_study').on(t.studyId)],
);

export const columns = sqliteTable(
  'columns',
  {
    id: text().notNull(),
    tableId: text()
      .notNull()
      .references(() => tables.id, { onDelete: 'cascade' }),
    position: integer().notNull(),
    name: text().notNull(),
    unit: text().notNull(),
    role: text({ enum: roles }).notNull(),
    decimal: text({ enum: ['auto', 'point', 'comma'] }).notNull(),
    limits: text({ enum: limitRules }),
    colour: integer(),
    levels: text({ mode: 'json' }).$type<readonly Level[]>(),
    formula: text({ mode: 'json' }).$type<Formula>(),
    note: text(),
  },
  (t) => [primaryKey({ columns: [t.tableId, t.id] })],
);

/**
 * The cells of a column in runs of a thousand rows: an edit rewrites one run, an import a hundred, never a row a cell.
 * `cells` holds the texts as typed; `aside` maps the row within the run to the reason it was set aside.
 */
export const cellRuns = sqliteTable(
  'cell_runs',
  {
    tableId: text()
      .notNull()
      .references(() => tables.id, { onDelete: 'cascade' }),
    columnId: text().notNull(),
    run: integer().notNull(),
    cells: text({ mode: 'json' }).$type<string[]>().notNull(),
    aside: text({ mode: 'json' }).$type<Record<string, string>>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.tableId, t.columnId, t.run] })],
);

/** Accepted changes to a table with what takes each back. */
export const changes = sqliteTable(
  'changes',
  {
    id: integer().primaryKey({ autoIncrement: true }),
    tableId: text()
      .notNull()
      .references(() => tables.id, { onDelete: 'cascade' }),
    at: text().notNull(),
    /** Who made it: the name this computer knows the person by. */
    by: text().notNull().default(''),
    edits: text({ mode: 'json' }).$type<TableEdit[]>().notNull(),
    inverse: text({ mode: 'json' }).$type<TableEdit[]>().notNull(),
    undone: integer({ mode: 'boolean' }).notNull(),
    line: line(),
    /** The line of the change that this one takes back, or makes again. */
    steps: integer(),
    /** Taken back before something else was done: it cannot be made again. */
    forgotten: integer({ mode: 'boolean' }).notNull().default(false),
    /** The revision the table had after it; 0 where that was not kept, as of a copied study. */
    revision: integer().notNull().default(0),
    /** What the page that sent it called it: sent once more, it is the same change. */
    given: text().notNull().default(''),
  },
  (t) => [index('changes_by_table').on(t.tableId, t.undone), index('changes_by_given').on(t.tableId, t.given)],
);

export const questions = sqliteTable(
  'questions',
  {
    id: text().primaryKey(),
    studyId: study(),
    tableId: text()
      .notNull()
      .references(() => tables.id, { onDelete: 'cascade' }),
    position: integer().notNull(),
    question: text({ mode: 'json' }).$type<Question>().notNull(),
    revision: integer().notNull(),
  },
  (t) => [index('questions_by_study').on(t.studyId)],
);

export const figures = sqliteTable(
  'figures',
  {
    id: text().primaryKey(),
    studyId: study(),
    questionId: text()
      .notNull()
      .references(() => questions.id, { onDelete: 'cascade' }),
    position: integer().notNull(),
    style: text({ mode: 'json' }).$type<FigureStyle>().notNull(),
    revision: integer().notNull(),
  },
  (t) => [index('figures_by_study').on(t.studyId)],
);

/** Ways to draw figures, kept under a name for all studies. */
export const namedStyles = sqliteTable('named_styles', {
  name: text().primaryKey(),
  style: text({ mode: 'json' }).$type<FigureStyle>().notNull(),
});

/** The write-up of a study, once it is begun. */
export const writeUps = sqliteTable('write_ups', {
  studyId: text()
    .primaryKey()
    .references(() => studies.id, { onDelete: 'cascade' }),
  writeUp: text({ mode: 'json' }).$type<WriteUp>().notNull(),
  revision: integer().notNull(),
});

/** Changes to questions, figures, the write-up and the study itself, with what each was before: for the log. */
export const events = sqliteTable(
  'events',
  {
    id: integer().primaryKey({ autoIncrement: true }),
    studyId: study(),
    at: text().notNull(),
    by: text().notNull().default(''),
    kind: text({ enum: eventKinds }).notNull(),
    subject: text().notNull(),
    before: text({ mode: 'json' }).$type<unknown>(),
    after: text({ mode: 'json' }).$type<unknown>(),
    line: line(),
  },
  (t) => [index('events_by_study').on(t.studyId)],
);
