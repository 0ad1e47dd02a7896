import { useEffect, useRef, useState } from 'react';
import type { MeasureAnswer, Over } from '../../core/answer/many';
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

const nothing = { answers: [] as MeasureAnswer[], count: 0, running: true, trouble: '' };

/** Asks in a worker; asks anew when the question or the readings change, so nothing shown is older than they are. */
export function useMany(question: Question, table: Table, over: Over): Many {
  const [state, setState] = useState(nothing);
  const worker = useRef<Worker | undefined>(undefined);
  const which = 'columns' in over ? '' : over.levelsOf;
  useEffect(() => {
    const own = new Worker(new URL('../../workers/many.worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    let first = true;
    own.onmessage = ({ data }: MessageEvent<ManyReply>) => {
      // The answers to what was asked before stand until the first of these comes.
      const fresh = first;
      first = false;
      setState((before) => ({
        answers: fresh ? data.answers : [...before.answers, ...data.answers],
        count: data.count,
        running: !data.done,
        trouble: data.trouble ?? '',
      }));
    };
    own.onerror = () =>
      setState((before) => ({ ...before, running: false, trouble: 'Asking every measure failed: reload the page.' }));
    own.postMessage({ question, table, over: which === '' ? { columns: true } : { levelsOf: which } });
    return () => own.terminate();
  }, [question, table, which]);
  const stop = () => {
    worker.current?.terminate();
    setState((before) => ({ ...before, running: false }));
  };
  return { ...state, stop };
}
