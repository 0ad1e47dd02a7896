/** Asks one question of many measures, off the main thread, telling as it goes. Stopped by ending the worker. */
import { expose } from 'comlink';
import type { MeasureAnswer, Over } from '../core/answer/measure-answer';
import { askMany } from '../core/answering/many';
import { attempt } from '../core/numeric/domain-error';
import type { Question } from '../core/question/question';
import type { Table } from '../core/readings/table';

/** What the worker tells: how many there are to be, and those that came since. */
export interface ManyTold {
  count: number;
  answers: MeasureAnswer[];
  done: boolean;
  trouble?: string;
}

/** Milliseconds between two tellings. */
const between = 60;

const calls = {
  ask: (question: Question, table: Table, over: Over, tell: (told: ManyTold) => void): void => {
    const asked = attempt(() => askMany(question, table, over));
    if (!asked.ok) return tell({ count: 0, answers: [], done: true, trouble: asked.reason });
    const { count, answers } = asked.value;
    // At once, so that answers to what was asked before are taken away.
    tell({ count, answers: [], done: false });
    let held: MeasureAnswer[] = [];
    let last = performance.now();
    for (const found of answers) {
      held.push(found);
      if (performance.now() - last > between) {
        tell({ count, answers: held, done: false });
        held = [];
        last = performance.now();
      }
    }
    tell({ count, answers: held, done: true });
  },
};
export type ManyCalls = typeof calls;
expose(calls);
