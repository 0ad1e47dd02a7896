import * as v from 'valibot';
import { type Column, type Table, emptyColumn, roles, shapes, spreadKinds } from '../readings/table';
import { Limits, limits } from '../readings/table-edit';
import { Question } from './question';

const Name = v.pipe(v.string(), v.maxLength(limits.name, `A name may have at most ${limits.name} characters.`));

/** A reading as it is sent: a number, a text as a person would type it, or null for an empty cell. */
const Cell = v.union(
  [
    v.pipe(v.number(), v.finite('A reading is a finite number.')),
    v.pipe(v.string(), v.maxLength(limits.text)),
    v.null(),
  ],
  'A reading is a number, a text or null.',
);

const ReadingsColumn = v.object({
  /** What questions call the column; its name unless given. */
  id: v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(40))),
  name: v.pipe(Name, v.minLength(1, 'A column needs a name.')),
  unit: v.optional(v.pipe(v.string(), v.maxLength(limits.unit)), ''),
  role: v.optional(v.picklist(roles, `A role is one of ${roles.join(', ')}.`), 'measure'),
  values: v.pipe(v.array(Cell), v.maxLength(limits.rows, `A column holds at most ${limits.rows} readings.`)),
  /** What cells beyond a limit ("<0.5") count as; they are left out unless this says. */
  limits: v.optional(Limits),
  /** Readings set aside: row (from 0) to the reason. */
  aside: v.optional(v.record(v.pipe(v.string(), v.regex(/^\d+$/, 'A row is a whole number.')), v.string()), {}),
});

/** Readings as a stateless request brings them. */
const Readings = v.pipe(
  v.object({
    measure: v.optional(Name, ''),
    subject: v.optional(Name, ''),
    shape: v.optional(v.picklist(shapes, `A shape is one of ${shapes.join(', ')}.`), 'columns'),
    /** Whether several readings of one subject within a group are averaged first. */
    average: v.optional(v.boolean(), false),
    /** What the spread column of summary figures holds, and the level of an interval. */
    spread: v.optional(v.picklist(spreadKinds, `A spread is one of ${spreadKinds.join(', ')}.`), 'sd'),
    level: v.optional(Question.entries.level, 0.95),
    columns: v.pipe(
      v.array(ReadingsColumn),
      v.minLength(1, 'At least one column of readings is needed.'),
      v.maxLength(limits.columns, `At most ${limits.columns} columns are taken.`),
    ),
  }),
  v.check(
    ({ columns }) => new Set(columns.map(idOf)).size === columns.length,
    'Two columns go by the same name: give each an id of its own.',
  ),
);
type ReadingsColumn = v.InferOutput<typeof ReadingsColumn>;

const idOf = ({ id, name }: { id?: string | undefined; name: string }): string => id ?? name.slice(0, 40);

/** A question with its usual choices left open: both groups must be named, the rest has a default. */
export const AnswerRequest = v.object({
  question: v.object({
    ...Question.entries,
    design: v.optional(Question.entries.design, 'two-groups'),
    direction: v.optional(Question.entries.direction, 'either'),
    level: v.optional(Question.entries.level, 0.95),
  }),
  readings: Readings,
});
export type AnswerRequest = v.InferOutput<typeof AnswerRequest>;

const columnOf = (given: ReadingsColumn): Column => ({
  ...emptyColumn(idOf(given), given.name, given.unit, given.role),
  cells: given.values.map((value) => (value === null ? '' : String(value))),
  aside: given.aside,
  ...(given.limits === undefined ? {} : { limits: given.limits }),
});

/** The table a request's readings make. */
export const tableOfRequest = ({ readings }: AnswerRequest): Table => ({
  id: '',
  name: '',
  measure: readings.measure,
  subject: readings.subject,
  shape: readings.shape,
  average: readings.average,
  spread: readings.spread,
  level: readings.level,
  rowCount: readings.columns.reduce((most, c) => Math.max(most, c.values.length), 0),
  columns: readings.columns.map(columnOf),
});
