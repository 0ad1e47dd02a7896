import { useMemo, useState } from 'react';
import { factsOf } from '../../core/analyses/kinds';
import { repeatsUnder } from '../../core/question/counting';
import { firstQuestion } from '../../core/question/first';
import { lackingFor } from '../../core/question/lacking';
import { namesOf } from '../../core/question/naming';
import { otherQuestions } from '../../core/question/others';
import type { Question } from '../../core/question/question';
import { columnsOf, type Table } from '../../core/readings/table';
import { questionSentence } from '../../core/telling/question';
import { Mends, type OnMend } from './Mends';
import { Hint } from '../kit/Hint';

interface Props {
  table: Table;
  onAsk: (question?: Question) => void;
  onMend: OnMend;
}

/** Tables of no more cells than this are looked through as the page is drawn. */
const soonFound = 5000;

/** The question the table raises, others it can answer, or what it lacks for one. */
export function AskNote({ table, onAsk, onMend }: Props) {
  const first = firstQuestion(table);
  const lacking = lackingFor(table);
  const small = table.rowCount * table.columns.length <= soonFound;
  const [open, setOpen] = useState(small);
  const named = columnsOf(table, 'measure').some((c) => c.name !== '');
  const words = (question: Question): string =>
    questionSentence({
      ...namesOf(question, table),
      repeats: question.about === 'value' ? repeatsUnder(question, table) : undefined,
      averaged: table.average,
    });
  // Of a large table it takes a moment to find what else can be asked: there it is found when someone looks.
  const others = useMemo(() => (open && !lacking ? otherQuestions(table) : []), [open, lacking, table]);
  const list =
    others.length > 0 ? (
      <ul className="mt-1 space-y-1">
        {others.map((question) => (
          <li key={JSON.stringify(question)}>
            <button
              type="button"
              className="text-left text-[13.5px] leading-snug text-muted hover:text-primary hover:underline"
              onClick={() => onAsk(question)}
            >
              {words(question)}
            </button>
          </li>
        ))}
      </ul>
    ) : (
      open && <p className="mt-1 text-muted">No other question fits this table.</p>
    );
  return (
    <section id="what-to-ask" className="note scroll-mt-3" aria-label="Ask">
      {lacking || !first ? (
        <>
          <p className={table.rowCount === 0 ? 'text-muted' : ''}>
            {lacking?.text ?? 'There is no group with readings to ask about yet.'}
          </p>
          <p className="flex flex-wrap gap-x-3">
            <Mends mends={lacking?.mends ?? []} mendsOf={(t) => lackingFor(t)?.mends ?? []} onMend={onMend} />
          </p>
          {first && named && table.shape !== 'counts' && table.shape !== 'categories' && (
            <p className="mt-1">
              <Hint says="To register it, or to see how it will be answered">
                <button type="button" className="plain-button text-left" onClick={() => onAsk()}>
                  {factsOf(first).invitation}, before the readings are there
                </button>
              </Hint>
            </p>
          )}
        </>
      ) : (
        <>
          <button
            type="button"
            className="btn h-auto min-h-9 w-full justify-between py-1.5 text-left text-[15px] leading-snug font-semibold btn-primary"
            onClick={() => onAsk()}
          >
            {factsOf(first).invitation} <span aria-hidden>→</span>
          </button>
          <p className="prose-serif mt-1.5 text-[15px] leading-snug">{words(first)}</p>
          {small ? (
            <>
              <p className="mt-1 text-muted">Ask another question of this table</p>
              {list}
            </>
          ) : (
            <details className="mt-1" onToggle={(e) => setOpen(e.currentTarget.open)}>
              <summary className="cursor-pointer text-muted">Ask another question of this table</summary>
              {list}
            </details>
          )}
        </>
      )}
    </section>
  );
}
