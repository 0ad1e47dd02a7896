/**
 * A desk of its own for questions that take longer than a frame: it keeps the columns laid on it, and the last answer with
 * them, so that a changed question travels alone. Stopped by ending the worker.
 */
import { expose } from 'comlink';
import { type Answer, answer, described } from '../core/answer/answer';
import { othersOf } from '../core/answer/others';
import { type Outcome, DomainError } from '../core/numeric/domain-error';
import type { Question } from '../core/question/question';
import type { Column, Table } from '../core/readings/table';
import { type ViewArguments, type ViewName, answerView } from './answer-views';
import { pack, unpack } from './packed';

const columns = new Map<number, Column>();
let laid: { key: string; table: Table } | undefined;
/** The last answers by number: one described, and the same compared. */
const made = new Map<number, Answer>();
let serial = 0;

function table(): Table {
  if (!laid) throw new DomainError('No table was laid on the desk.');
  return laid.table;
}

/** An answer on its way, with the number its views are asked by. */
function sent(found: Outcome<Answer>): { serial: number; packed: unknown } {
  serial += 1;
  if (found.ok) made.set(serial, found.value);
  made.delete(serial - 2);
  return { serial, packed: pack(found) };
}

const calls = {
  column: (key: number, packed: unknown): void => void columns.set(key, unpack(packed) as Column),
  /** Takes the table made of columns laid before, and forgets the others. */
  table: (head: Omit<Table, 'columns'>, keys: readonly number[]): void => {
    const key = JSON.stringify([head, keys]);
    // The same table stays the same object: what was found of it is remembered by it.
    if (laid?.key === key) return;
    for (const old of columns.keys()) if (!keys.includes(old)) columns.delete(old);
    laid = { key, table: { ...head, columns: keys.flatMap((k) => columns.get(k) ?? []) } };
  },
  described: (question: Question) => sent(described(question, table())),
  answer: (question: Question) => sent(answer(question, table())),
  others: (question: Question): unknown => pack(othersOf(question, table())),
  /** A view of the answer of this number; undefined where others were made since. */
  view: <K extends ViewName>(of: number, name: K, rest: ViewArguments<K>): unknown => {
    const answered = made.get(of);
    return answered && pack(answerView(name, answered, rest));
  },
};
export type DeskCalls = typeof calls;
expose(calls);
