/** A question's registration with what the log knows of it. */
import { registeredParts } from '../core/answering/registered';
import { namesOf } from '../core/question/naming';
import { questionSentence } from '../core/telling/question';
import { registrationWords } from '../core/words/registered';
import type { TextTable } from '../core/words/tables/result-table';
import { moment } from './moment';
import { NotFound } from '../store/errors';
import { eventsOf } from '../store/events';
import type { Db } from '../store/open';
import { readQuestion } from '../store/questions';
import { readTable } from '../store/read-table';

/** @throws NotFound also where the question is another study's, or was not registered */
export function registrationOf(db: Db, study: string, id: string): { sentence: string; table: TextTable } {
  const { studyId, tableId, question } = readQuestion(db, id);
  const { registered } = question;
  if (studyId !== study || !registered) throw new NotFound('registration');
  const { table } = readTable(db, tableId);
  const event = eventsOf(db, study).find(
    (e) => e.kind === 'question' && e.subject === id && e.after?.question.registered?.at === registered.at,
  );
  const rows: [string, string][] = [
    ...registeredParts(registered, table).filter(([part]) => part !== 'question'),
    ['registered', registrationWords(registered)],
    ...(event
      ? [['log', `line ${event.line}, ${moment(event.at)}${event.by ? `, by ${event.by}` : ''}`] as [string, string]]
      : []),
  ];
  return {
    sentence: questionSentence(namesOf(registered.question, table)),
    table: {
      title: 'Registration',
      head: [['part'], ['as registered']],
      rows: rows.map(([part, words]) => [[part], [words]]),
      words: [1],
    },
  };
}
