import { type RefObject, startTransition, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { type AlternativeMethod, alternativeMethods } from '../../core/answering/alternative-methods';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { useInSight } from '../shared/in-sight';
import { Desk } from './desk';

/** Readings up to which the page works the other methods out itself, within a frame or two. */
const withinPage = 600;

/**
 * The answer under each method; undefined while a worker is at it, so that none is ever older than the readings. The
 * worker, which brings its own copy of every procedure, is started once the place that shows them has come into sight.
 */
export function useAlternativeMethods(
  question: Question,
  table: Table,
  place: RefObject<Element | null>,
): AlternativeMethod[] | undefined {
  // The first paint does not wait for the other methods.
  const asked = useDeferredValue<Question | null>(question, null);
  const given = useDeferredValue(table);
  // An exact test of a table may take longer than a frame, however small the table.
  const small = asked?.about === 'value' && given.rowCount * given.columns.length <= withinPage;
  const here = useMemo(() => (small ? alternativeMethods(asked, given) : undefined), [asked, given, small]);
  const inSight = useInSight(place);
  const [there, setThere] = useState<{ asked: Question; given: Table; others: AlternativeMethod[] }>();
  useEffect(() => {
    if (small || !asked || !inSight) return;
    const desk = new Desk();
    const work = async (): Promise<void> => {
      await desk.lay(given);
      const others = await desk.others(asked);
      startTransition(() => setThere({ asked, given, others }));
    };
    void work();
    return () => desk.end();
  }, [asked, given, small, inSight]);
  return here ?? (there?.asked && there.asked === asked && there.given === given ? there.others : undefined);
}
