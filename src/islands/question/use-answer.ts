import { type Remote, releaseProxy, wrap } from 'comlink';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type Answer, answer } from '../../core/answer/answer';
import { isLight } from '../../core/answer/weight';
import type { Outcome } from '../../core/numeric/domain-error';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import type { AnswerCalls } from '../../workers/answer.worker';

/** An answer as far as it is there: never one of another question, or of older readings. */
export interface Answering {
  result: Outcome<Answer> | undefined;
  /** Whether a worker is at it. */
  working: boolean;
  stop: () => void;
  again: () => void;
}

/** Why there is no answer; empty where there is one. */
export const reasonOf = (result: Outcome<Answer> | undefined): string =>
  !result ? '' : !result.ok ? result.reason : result.value.comparison.ok ? '' : result.value.comparison.reason;

interface Made {
  question: Question;
  table: Table;
  result: Outcome<Answer>;
}

const fault: Outcome<Answer> = {
  ok: false,
  reason: 'This could not be worked out because of a fault in Divide. Nothing was changed.',
};

/** The answer to a question: at once where that takes less than a frame, else from a worker, which may be stopped. */
export function useAnswer(question: Question, table: Table): Answering {
  const light = isLight(question, table);
  const here = useMemo(() => (light ? answer(question, table) : undefined), [light, question, table]);
  const [there, setThere] = useState<Made>();
  const [stopped, setStopped] = useState<{ question: Question; table: Table }>();
  const held = useRef<{ worker: Worker; calls: Remote<AnswerCalls>; busy: boolean } | undefined>(undefined);
  const end = useCallback(() => {
    held.current?.calls[releaseProxy]();
    held.current?.worker.terminate();
    held.current = undefined;
  }, []);
  useEffect(() => end, [end]);
  const isStopped = stopped?.question === question && stopped.table === table;
  useEffect(() => {
    if (light || isStopped) return;
    let left = false;
    // One that works on what is no longer asked is ended; an idle one is asked again, for it is warm.
    if (held.current?.busy) end();
    if (!held.current) {
      const worker = new Worker(new URL('../../workers/answer.worker.ts', import.meta.url), { type: 'module' });
      held.current = { worker, calls: wrap<AnswerCalls>(worker), busy: false };
    }
    const own = held.current;
    own.busy = true;
    const take = (result: Outcome<Answer>): void => {
      own.busy = false;
      if (!left) setThere({ question, table, result });
    };
    own.calls.answer(question, table).then(take, () => take(fault));
    return () => {
      left = true;
    };
  }, [light, isStopped, question, table, end]);
  const result = here ?? (there?.question === question && there.table === table ? there.result : undefined);
  return {
    result,
    working: result === undefined && !isStopped,
    stop: () => {
      end();
      setStopped({ question, table });
    },
    again: () => setStopped(undefined),
  };
}
