import { startTransition, useDeferredValue, useEffect, useState } from 'react';
import { type Beside, type BesideName, eachBeside } from '../../core/answering/asked-beside';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { stepBack } from '../shared/give-way';
import { Desk } from './desk';

/** One a turn of the page; undefined where they are no longer wanted. */
async function oneByOne<T>(all: Iterable<T>, isStale: () => boolean): Promise<T[] | undefined> {
  const made: T[] = [];
  // The first has a turn of its own as well: an effect belongs to the turn that drew the page.
  await stepBack();
  if (isStale()) return undefined;
  for (const one of all) {
    made.push(one);
    await stepBack();
    if (isStale()) return undefined;
  }
  return made;
}

/**
 * What is asked beside a question. Answers that the page works out itself follow in a moment, and the ones before stand
 * until then; while a worker is at it there are none, so that none is older than the readings for long.
 * @param quick whether each takes the page no longer than a frame or two
 * @param wanted whether they are worked out at all
 */
export function useBeside<K extends BesideName>(
  name: K,
  question: Question,
  table: Table,
  { quick, wanted }: { quick: boolean; wanted: boolean },
): Beside<K>[] | undefined {
  // The first paint does not wait for them.
  const asked = useDeferredValue<Question | null>(question, null);
  const given = useDeferredValue(table);
  const [there, setThere] = useState<{ asked: Question; given: Table; all: Beside<K>[] }>();
  useEffect(() => {
    if (!asked || !wanted) return;
    let left = false;
    let desk = quick ? undefined : new Desk();
    const end = (): void => {
      desk?.end();
      desk = undefined;
    };
    const work = async (): Promise<void> => {
      await desk?.lay(given);
      const all = desk ? await desk.beside(name, asked) : await oneByOne(eachBeside(name, asked, given), () => left);
      if (all && !left) startTransition(() => setThere({ asked, given, all }));
      end();
    };
    void work();
    return () => {
      left = true;
      end();
    };
  }, [name, asked, given, quick, wanted]);
  const stands = wanted && there && (quick || (there.asked === question && there.given === table));
  return stands ? there.all : undefined;
}
