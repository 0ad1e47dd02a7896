import { proxy } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { MeasureAnswer, Over } from '../../core/answer/measure-answer';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import type { ManyCalls, ManyTold } from '../../workers/many.worker';
import { type Caller, callerOf } from '../shared/caller';

/** What has come so far of one question asked of many measures. */
export interface Many {
  answers: MeasureAnswer[];
  count: number;
  running: boolean;
  trouble: string;
  stop: () => void;
}

const nothing = {
  asked: undefined as object | undefined,
  answers: [] as MeasureAnswer[],
  count: 0,
  running: true,
  trouble: '',
};

/** Asks in a worker; asks anew when the question or the readings change, so nothing shown is older than they are. */
export function useMany(question: Question, table: Table, over: Over): Many {
  const [state, setState] = useState(nothing);
  const caller = useRef<Caller<ManyCalls> | undefined>(undefined);
  const which = 'columns' in over ? '' : over.levelsOf;
  const asked = useMemo(() => ({ question, table, which }), [question, table, which]);
  useEffect(() => {
    const put = (change: (before: typeof nothing) => Partial<typeof nothing>) =>
      setState((before) => {
        const mine = before.asked === asked ? before : { ...nothing, asked };
        return { ...mine, ...change(mine) };
      });
    const own = callerOf<ManyCalls>(
      new Worker(new URL('../../workers/many.worker.ts', import.meta.url), { type: 'module' }),
      () => put(() => ({ running: false, trouble: 'Asking every measure failed: reload the page.' })),
    );
    caller.current = own;
    const tell = proxy((told: ManyTold) =>
      put((before) => ({
        answers: [...before.answers, ...told.answers],
        count: told.count,
        running: !told.done,
        trouble: told.trouble ?? '',
      })),
    );
    const over: Over = asked.which === '' ? { columns: true } : { levelsOf: asked.which };
    void own.calls.ask(asked.question, asked.table, over, tell);
    return own.end;
  }, [asked]);
  const stop = () => {
    caller.current?.end();
    setState((before) => ({ ...(before.asked === asked ? before : { ...nothing, asked }), running: false }));
  };
  const { answers, count, running, trouble } = state.asked === asked ? state : nothing;
  return { answers, count, running, trouble, stop };
}
