import { useEffect, useMemo, useRef, useState } from 'react';
import type { MeasureAnswer, Over } from '../../core/answer/measure-answer';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import type { ManyReply } from '../../workers/many.worker';

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
  const worker = useRef<Worker | undefined>(undefined);
  const which = 'columns' in over ? '' : over.levelsOf;
  const asked = useMemo(() => ({ question, table, which }), [question, table, which]);
  useEffect(() => {
    const own = new Worker(new URL('../../workers/many.worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    const put = (change: (before: typeof nothing) => Partial<typeof nothing>) =>
      setState((before) => {
        const mine = before.asked === asked ? before : { ...nothing, asked };
        return { ...mine, ...change(mine) };
      });
    own.onmessage = ({ data }: MessageEvent<ManyReply>) =>
      put((before) => ({
        answers: [...before.answers, ...data.answers],
        count: data.count,
        running: !data.done,
        trouble: data.trouble ?? '',
      }));
    own.onerror = () => put(() => ({ running: false, trouble: 'Asking every measure failed: reload the page.' }));
    own.postMessage({
      question: asked.question,
      table: asked.table,
      over: asked.which === '' ? { columns: true } : { levelsOf: asked.which },
    });
    return () => own.terminate();
  }, [asked]);
  const stop = () => {
    worker.current?.terminate();
    setState((before) => ({ ...(before.asked === asked ? before : { ...nothing, asked }), running: false }));
  };
  const { answers, count, running, trouble } = state.asked === asked ? state : nothing;
  return { answers, count, running, trouble, stop };
}
