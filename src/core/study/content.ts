/** A whole study as one value: what is kept of it, copied, bundled and opened again. Ids hold within it. */
import * as v from 'valibot';
import { FigureStyle } from '../figures/figure-style';
import { Question } from '../question/question';
import { TableDraft, TableEdit } from '../readings/table-edit';
import { WriteUp, blocksWithin, piecesIn } from '../write-up/document';

const Id = v.pipe(v.string(), v.minLength(1), v.maxLength(40));
const Time = v.pipe(v.string(), v.isoTimestamp('A time is written as 2026-01-31T12:00:00.000Z.'));
/** A place in the study's log, counted from 1; not there in what was kept before lines were numbered. */
const Line = v.optional(v.pipe(v.number(), v.integer(), v.minValue(0)));
const Origin = v.pipe(v.string(), v.maxLength(500));

/** An accepted change to a table, with what takes it back. */
const TableChange = v.object({
  at: Time,
  by: v.pipe(v.string(), v.maxLength(200)),
  edits: v.array(TableEdit),
  inverse: v.array(TableEdit),
  undone: v.boolean(),
  line: Line,
  steps: v.optional(v.nullable(v.pipe(v.number(), v.integer(), v.minValue(0)))),
  forgotten: v.optional(v.boolean()),
});

const StudyTable = v.object({
  id: Id,
  table: TableDraft,
  origin: Origin,
  at: v.optional(Time),
  by: v.optional(v.pipe(v.string(), v.maxLength(200))),
  line: Line,
  /** When it was taken out, if it was: going back may bring it back. */
  removed: v.optional(Time),
  changes: v.optional(v.array(TableChange)),
});

/** What can change beside readings. */
export const eventKinds = ['question', 'figure', 'write-up', 'study', 'table', 'restored'] as const;
export type EventKind = (typeof eventKinds)[number];

const Name = v.nullable(v.pipe(v.string(), v.maxLength(200)));
const eventOf = <K extends EventKind, S extends v.GenericSchema>(kind: K, state: S) =>
  v.object({
    at: Time,
    by: v.pipe(v.string(), v.maxLength(200)),
    line: Line,
    kind: v.literal(kind),
    subject: Id,
    before: v.nullable(state),
    after: v.nullable(state),
  });

/** A change to a question, a figure, the write-up or the study itself: what it was before and is after; null for not there. */
export const StudyEvent = v.variant('kind', [
  eventOf('question', v.object({ table: Id, question: Question })),
  eventOf('figure', v.object({ question: Id, style: FigureStyle })),
  eventOf('write-up', WriteUp),
  eventOf('study', Name),
  eventOf('table', Name),
  /** Gone back to just after a line, from the last one there was. */
  eventOf('restored', v.object({ line: v.pipe(v.number(), v.integer(), v.minValue(0)) })),
]);
export type StudyEvent = v.InferOutput<typeof StudyEvent>;

export const StudyContent = v.object({
  title: v.pipe(v.string(), v.minLength(1), v.maxLength(200)),
  tables: v.pipe(v.array(StudyTable), v.maxLength(400)),
  questions: v.pipe(v.array(v.object({ id: Id, table: Id, question: Question })), v.maxLength(4000)),
  figures: v.pipe(v.array(v.object({ id: Id, question: Id, style: FigureStyle })), v.maxLength(4000)),
  writeUp: v.optional(WriteUp),
  events: v.optional(v.array(StudyEvent)),
});
export type StudyContent = v.InferOutput<typeof StudyContent>;

/** A study's log: where each line was told, in the order of the lines. */
interface Lined {
  at?: string | undefined;
  line?: number | undefined;
}

/** The parts of a study that stand in its log, each with its line: those kept before lines were numbered in order of time. */
export function numbered(content: StudyContent): StudyContent {
  const { tables, events = [] } = content;
  const copy = {
    ...content,
    tables: tables.map((t) => ({ ...t, changes: (t.changes ?? []).map((c) => ({ ...c })) })),
    events: events.map((e) => ({ ...e })),
  };
  const all: Lined[] = [...copy.tables, ...copy.tables.flatMap((t) => t.changes), ...copy.events];
  if (all.every((one) => one.line !== undefined)) return content;
  const time = ({ at = '' }: Lined): string => at;
  all.sort((a, b) => (time(a) < time(b) ? -1 : time(a) > time(b) ? 1 : 0)).forEach((one, i) => (one.line = i + 1));
  return copy;
}

/** Ids that point at nothing: places of the first few, in words. */
export function dangling({ tables, questions, figures }: StudyContent): string[] {
  const has = (all: readonly { id: string }[], id: string): boolean => all.some((one) => one.id === id);
  return [
    ...questions
      .filter((q) => !has(tables, q.table))
      .map((q) => `question ${q.id} asks a table ${q.table} that is not there`),
    ...figures
      .filter((f) => !has(questions, f.question))
      .map((f) => `figure ${f.id} shows a question ${f.question} that is not there`),
  ];
}

/** A write-up whose pieces point at other ids: for a copy of a study. */
export function withIds(writeUp: WriteUp, idOf: (old: string) => string): WriteUp {
  const copy = structuredClone(writeUp);
  for (const piece of piecesIn(copy)) {
    if ('question' in piece.attrs) piece.attrs.question = idOf(piece.attrs.question);
    if ('figure' in piece.attrs) piece.attrs.figure = idOf(piece.attrs.figure);
    if ('table' in piece.attrs) piece.attrs.table = idOf(piece.attrs.table);
  }
  for (const block of copy.content.flatMap(blocksWithin))
    if (block.type === 'paragraph' || block.type === 'heading')
      for (const inline of block.content ?? [])
        if (inline.type === 'reference' && inline.attrs.source !== '') inline.attrs.source = idOf(inline.attrs.source);
  return copy;
}
