import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { answer } from '../../core/answering/answer';
import type { Answer } from '../../core/answer/answer';
import { isQuick } from '../../core/answering/weight';
import type { Outcome } from '../../core/numeric/domain-error';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { Desk } from './desk';

/** An answer as far as it is there: never one of another question, or of older readings. */
export interface Answering {
  result: Outcome<Answer> | undefined;
  /** The groups described, while they are not yet compared. */
  described: Answer | undefined;
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

/**
 * The answer to a question: at once where that takes less than a frame, else from a worker, which may be stopped.
 * @param meanwhile whether the groups are to be described first, to be shown while the test runs
 */
export function useAnswer(question: Question, table: Table, meanwhile = false): Answering {
  const light = isQuick(question, table);
  const here = useMemo(() => (light ? answer(question, table) : undefined), [light, question, table]);
  const [there, setThere] = useState<Made>();
  const [before, setBefore] = useState<Made>();
  const [stopped, setStopped] = useState<{ question: Question; table: Table }>();
  const held = useRef<Desk | undefined>(undefined);
  const end = useCallback(() => {
    held.current?.end();
    held.current = undefined;
  }, []);
  useEffect(() => end, [end]);
  const isStopped = stopped?.question === question && stopped.table === table;
  useEffect(() => {
    if (light || isStopped) return;
    let left = false;
    // One that works on what is no longer asked is ended; an idle one is asked again, for it is warm.
    if (held.current?.busy) end();
    const own = (held.current ??= new Desk());
    own.busy = true;
    const work = async (): Promise<Outcome<Answer>> => {
      await own.lay(table);
      if (meanwhile) {
        const result = await own.described(question);
        if (!left) startTransition(() => setBefore({ question, table, result }));
        // The picture of the groups is drawn before the test begins.
        await own.lookedAt(250);
      }
      return own.answer(question);
    };
    const take = (result: Outcome<Answer>): void => {
      own.busy = false;
      // What comes from the desk is drawn in slices between which the page answers the hand.
      if (!left) startTransition(() => setThere({ question, table, result }));
    };
    work().then(take, () => take(fault));
    return () => {
      left = true;
    };
  }, [light, isStopped, question, table, meanwhile, end]);
  const current = (made: Made | undefined): Outcome<Answer> | undefined =>
    made?.question === question && made.table === table ? made.result : undefined;
  const result = here ?? current(there);
  const groups = result ? undefined : current(before);
  return {
    result,
    described: groups?.ok ? groups.value : undefined,
    working: result === undefined && !isStopped,
    stop: () => {
      end();
      setStopped({ question, table });
    },
    again: () => setStopped(undefined),
  };
}
