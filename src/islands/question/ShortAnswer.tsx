import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { shortAnswer } from '../../core/telling/headline';
import { useAnswer } from './use-answer';

/** The answer to a question in a few words. */
export function ShortAnswer({ question, table }: { question: Question; table: Table }) {
  const { result } = useAnswer(question, table);
  return <>{result ? shortAnswer(result) : 'being worked out …'}</>;
}
