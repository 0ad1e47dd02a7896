import { startTransition, useEffect, useMemo, useState } from 'react';
import type { Answer } from '../../core/answer/answer';
import { type ViewArguments, type ViewName, type ViewOf, answerView } from '../../workers/answer-views';
import { deskOf } from './desk';

/** A view of an answer as far as it is there. `late` while a newer one is on its way. */
interface Viewed<T> {
  view: T | undefined;
  late: boolean;
}

/**
 * A view of an answer: drawn at once where the page worked the answer out itself, else at the desk that did. Until the
 * newest is there the one before is given, and said to be late.
 */
export function useView<K extends ViewName>(
  name: K,
  answer: Answer | undefined,
  ...rest: ViewArguments<K>
): Viewed<ViewOf<K>> {
  const at = answer && deskOf(answer);
  // Compared by what they say, so that a list made anew is no other one.
  const key = JSON.stringify(rest);
  const given = useMemo(() => JSON.parse(key) as ViewArguments<K>, [key]);
  const here = useMemo(() => (answer && !at ? answerView(name, answer, given) : undefined), [answer, at, name, given]);
  const [there, setThere] = useState<{ answer: Answer; given: unknown; view: ViewOf<K> }>();
  useEffect(() => {
    // Views come in the order they are asked for, so that what comes is the newest there is.
    if (answer && at)
      void at.desk.view(at.serial, name, given).then((view) => {
        if (view !== undefined) startTransition(() => setThere({ answer, given, view }));
      });
  }, [answer, at, name, given]);
  if (here || !answer) return { view: here, late: false };
  return { view: there?.view, late: there?.answer !== answer || there.given !== given };
}
