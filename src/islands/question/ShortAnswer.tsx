import { useMemo } from 'react';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { shortAnswer } from '../../core/telling/headline';
import { useAnswer } from './use-answer';

/** The answer in a few words, with the readings of a subject averaged or counted one by one. */
export function ShortAnswer({ question, table, average }: { question: Question; table: Table; average: boolean }) {
  const given = useMemo(() => ({ ...table, average }), [table, average]);
  const { result } = useAnswer(question, given);
  return <>{result ? shortAnswer(result) : 'being worked out …'}</>;
}
