/** Asks one question of many measures, off the main thread, telling as it goes. Stopped by ending the worker. */
import type { MeasureAnswer, Over } from '../core/answer/measure-answer';
import { askMany } from '../core/answering/many';
import { attempt } from '../core/numeric/domain-error';
import type { Question } from '../core/question/question';
import type { Table } from '../core/readings/table';

/** What the worker tells: how many there are to be, and those that came since. */
export interface ManyReply {
  count: number;
  answers: MeasureAnswer[];
  done: boolean;
  trouble?: string;
}

/** Milliseconds between two tellings. */
const between = 60;

onmessage = (event: MessageEvent<{ question: Question; table: Table; over: Over }>): void => {
  const { question, table, over } = event.data;
  const asked = attempt(() => askMany(question, table, over));
  if (!asked.ok) {
    postMessage({ count: 0, answers: [], done: true, trouble: asked.reason } satisfies ManyReply);
    return;
  }
  const { count, answers } = asked.value;
  // At once, so that answers to what was asked before are taken away.
  postMessage({ count, answers: [], done: false } satisfies ManyReply);
  let held: MeasureAnswer[] = [];
  let last = performance.now();
  for (const found of answers) {
    held.push(found);
    if (performance.now() - last > between) {
      postMessage({ count, answers: held, done: false } satisfies ManyReply);
      held = [];
      last = performance.now();
    }
  }
  postMessage({ count, answers: held, done: true } satisfies ManyReply);
};
