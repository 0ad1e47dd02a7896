/**
 * A desk of its own for questions that take longer than a frame: it keeps the columns laid on it, and the last answer with
 * them, so that a changed question travels alone. Stopped by ending the worker.
 */
import { expose } from 'comlink';
import { type DrawnPlate, drawnPlate } from '../charts/drawn-plate';
import { answer, described } from '../core/answering/answer';
import type { Answer } from '../core/answer/answer';
import { type Beside, type BesideName, eachBeside } from '../core/answering/asked-beside';
import type { FigureStyle } from '../core/figures/figure-style';
import { type Outcome, DomainError } from '../core/numeric/domain-error';
import type { Question } from '../core/question/question';
import type { Column, Table } from '../core/readings/table';
import { type Packed, pack, unpack } from '../formats/wire';
import { type ViewArguments, type ViewName, type ViewOf, answerView } from './answer-views';

const columns = new Map<number, Column>();
let laid: { key: string; table: Table } | undefined;
/** The last answers by number: one described, and the same compared. */
const made = new Map<number, Answer>();
let serial = 0;
/** Answers held to be drawn beside each other, which may be of several tables. */
const held = new Map<number, Answer>();

function table(): Table {
  if (!laid) throw new DomainError('No table was laid on the desk.');
  return laid.table;
}

/** An answer on its way, with the number its views are asked by. */
function sent(found: Outcome<Answer>): { serial: number; packed: Packed<Outcome<Answer>> } {
  serial += 1;
  if (found.ok) made.set(serial, found.value);
  made.delete(serial - 2);
  return { serial, packed: pack(found) };
}

const calls = {
  column: (key: number, packed: Packed<Column>): void => void columns.set(key, unpack(packed)),
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
  /** Answers, and keeps the answer under this number until `drop`; the reason where there is none. */
  hold: (number: number, question: Question): string => {
    const found = answer(question, table());
    if (found.ok) held.set(number, found.value);
    return found.ok ? '' : found.reason;
  },
  drop: (number: number): void => void held.delete(number),
  /** A figure of held answers, beside each other; undefined where one is held no more. */
  plate: (shown: readonly { number: number; style: FigureStyle }[]): Packed<DrawnPlate> | undefined => {
    const [first, ...others] = shown.flatMap(({ number, style }) => {
      const answered = held.get(number);
      return answered ? [{ answer: answered, style }] : [];
    });
    return first && others.length === shown.length - 1 ? pack(drawnPlate(first, others)) : undefined;
  },
  beside: <K extends BesideName>(name: K, question: Question): Packed<Beside<K>[]> =>
    pack([...eachBeside(name, question, table())]),
  /** A view of the answer of this number; undefined where others were made since. */
  view: <K extends ViewName>(of: number, name: K, rest: ViewArguments<K>): Packed<ViewOf<K>> | undefined => {
    const answered = made.get(of);
    return answered && pack(answerView(name, answered, rest));
  },
};
export type DeskCalls = typeof calls;
expose(calls);
