import { useEffect, useMemo, useState } from 'react';
import type { Answer } from '../../core/answer/answer';
import { type ViewArguments, type ViewName, type ViewOf, answerView } from '../../workers/answer-views';
import { deskOf } from './desk';

/**
 * A view of an answer: drawn at once where the page worked the answer out itself, else at the desk that did. Undefined
 * until it is there, and while there is no answer.
 */
export function useView<K extends ViewName>(
  name: K,
  answer: Answer | undefined,
  ...rest: ViewArguments<K>
): ViewOf<K> | undefined {
  const at = answer && deskOf(answer);
  // Told apart by what they say, so that a list made anew is no other one.
  const key = JSON.stringify(rest);
  const given = useMemo(() => JSON.parse(key) as ViewArguments<K>, [key]);
  const here = useMemo(() => (answer && !at ? answerView(name, answer, given) : undefined), [answer, at, name, given]);
  const [there, setThere] = useState<{ answer: Answer; given: unknown; view: ViewOf<K> }>();
  useEffect(() => {
    if (!answer || !at) return;
    let left = false;
    void at.desk.view(at.serial, name, given).then((view) => {
      if (!left && view !== undefined) setThere({ answer, given, view });
    });
    return () => {
      left = true;
    };
  }, [answer, at, name, given]);
  if (here || !there) return here;
  return there.answer === answer && there.given === given ? there.view : undefined;
}
