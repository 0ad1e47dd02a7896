import { useMemo } from 'react';
import { type WayOut, areQuickWays, eachWayOut } from '../../core/answering/ways-out';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { useBeside } from './use-beside';

/** What could be asked instead, where there is a reason why there is no answer: with the reason where that takes no time. */
export function useWaysOut(reason: string, question: Question, table: Table): readonly WayOut[] {
  const wanted = reason !== '';
  const quick = useMemo(() => !wanted || areQuickWays(question, table), [wanted, question, table]);
  const here = useMemo(
    () => (wanted && quick ? [...eachWayOut(question, table)] : []),
    [wanted, quick, question, table],
  );
  const there = useBeside('waysOut', question, table, { quick: false, wanted: wanted && !quick });
  return there ?? here;
}
