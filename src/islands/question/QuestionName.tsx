import { useMemo } from 'react';
import { namesOf } from '../../core/question/naming';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { usualName } from '../../core/telling/question';
import { Accepted } from '../kit/Accepted';

interface Props {
  question: Question;
  table: Table;
  onChange: (question: Question) => void;
}

/** What the question is called in every list: by its groups until it is given a name of its own. */
export function QuestionName({ question, table, onChange }: Props) {
  const usual = useMemo(() => usualName(namesOf(question, table)), [question, table]);
  return (
    <Accepted
      className="quiet-name min-w-0 grow"
      aria-label="Name of the question"
      title="What it is called in the list on the left, in figures and in the write-up"
      maxLength={200}
      placeholder={usual}
      value={question.name ?? ''}
      onAccept={(text) => {
        const { name: _, ...rest } = question;
        onChange(text === '' || text === usual ? rest : { ...question, name: text });
      }}
    />
  );
}
