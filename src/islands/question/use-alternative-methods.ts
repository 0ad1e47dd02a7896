import { type RefObject, startTransition, useDeferredValue, useEffect, useState } from 'react';
import { type AlternativeMethod, eachMethod } from '../../core/answering/alternative-methods';
import { comparesFewMeans } from '../../core/answering/weight';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { stepBack } from '../shared/give-way';
import { useInSight } from '../shared/in-sight';
import { Desk } from './desk';

/** Readings up to which the page works the other methods out itself, within a frame or two. */
const withinPage = 600;

/** One method a turn of the page; undefined where they are no longer wanted. */
async function oneByOne(
  asked: Question,
  given: Table,
  isStale: () => boolean,
): Promise<AlternativeMethod[] | undefined> {
  const others: AlternativeMethod[] = [];
  for (const other of eachMethod(asked, given)) {
    others.push(other);
    await stepBack();
    if (isStale()) return undefined;
  }
  return others;
}

/**
 * The answer under each method. Those that the page works out itself follow in a moment, and the ones before stand until
 * then; while a worker is at it there are none, so that none is older than the readings for long. The worker, which brings
 * its own copy of every procedure, is started once the place that shows them has come into sight.
 */
export function useAlternativeMethods(
  question: Question,
  table: Table,
  place: RefObject<Element | null>,
): AlternativeMethod[] | undefined {
  // The first paint does not wait for the other methods.
  const asked = useDeferredValue<Question | null>(question, null);
  const given = useDeferredValue(table);
  // An exact test of a table may take longer than a frame, however small the table, and so may all pairs of many groups.
  const small =
    asked?.about === 'value' && given.rowCount * given.columns.length <= withinPage && comparesFewMeans(asked, given);
  const inSight = useInSight(place);
  const [there, setThere] = useState<{ asked: Question; given: Table; others: AlternativeMethod[] }>();
  useEffect(() => {
    if (!asked || !(small || inSight)) return;
    let left = false;
    const desk = small ? undefined : new Desk();
    const work = async (): Promise<void> => {
      await desk?.lay(given);
      const others = desk ? await desk.others(asked) : await oneByOne(asked, given, () => left);
      if (others && !left) startTransition(() => setThere({ asked, given, others }));
    };
    void work();
    return () => {
      left = true;
      desk?.end();
    };
  }, [asked, given, small, inSight]);
  const stands = there && (small || (there.asked === asked && there.given === given));
  return stands ? there.others : undefined;
}
