import { useStore } from '@nanostores/react';
import { ImagePlus } from 'lucide-react';
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { DrawingView, type PointedAt } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import { type Answer, answer } from '../../core/answer/answer';
import { methodName, methodReason } from '../../core/question/method';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import type { TableEdit } from '../../core/readings/table-edit';
import { defaultFigureStyle } from '../../core/scenes/figure-style';
import { lookScene } from '../../core/scenes/look';
import { counted, significant } from '../../core/words/numbers';
import { type Text, html, plain } from '../../core/words/text';
import { figureLegend, headline, methodsSentence, resultsSentence } from '../../core/words/two-groups';
import { inWords, send } from '../shared/api';
import { CopyButton } from '../shared/CopyButton';
import { useKeptValue } from '../shared/kept-value';
import { RefusedNotice } from '../shared/RefusedNotice';
import { RichText } from '../shared/RichText';
import { SaveState } from '../shared/SaveState';
import { type Kept, followTable, guardUnsaved, tableStore } from '../shared/table-store';
import { WithTable } from '../shared/WithTable';
import { GroupTable, HeadlineBand, TestTable } from './AnswerPart';
import { Ask } from './Ask';
import { SamplesNote } from './SamplesNote';

/** One of the parts of a question's page, its name hung in the margin. */
function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section aria-labelledby={`part-${name}`} className="grid grid-cols-[4.2rem_minmax(0,1fr)] py-3">
      <h2 id={`part-${name}`} className="part-of-page pt-1">
        {name}
      </h2>
      <div className="min-w-0">{children}</div>
    </section>
  );
}

/** A reading chosen in the picture: set aside with a reason, brought back, or found in its table. */
function Pointed({
  point,
  table,
  readingsHref,
  onEdit,
  onClose,
}: {
  point: PointedAt;
  table: Table;
  readingsHref: string;
  onEdit: (edits: TableEdit[]) => void;
  onClose: () => void;
}) {
  const [reason, setReason] = useState('');
  const [first] = point.cells;
  if (!first) return null;
  const aside = table.columns.find((c) => c.id === first.column)?.aside[first.row] !== undefined;
  const set = (why: string | null) => {
    onEdit([{ kind: 'set-aside', cells: point.cells.map((cell) => ({ ...cell, reason: why })) }]);
    onClose();
  };
  return (
    <form
      className="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1 text-sm"
      aria-label="The reading chosen"
      onSubmit={(e) => {
        e.preventDefault();
        if (reason.trim()) set(reason.trim());
      }}
      onKeyDown={(e) => e.key === 'Escape' && onClose()}
    >
      <span className="font-semibold">{point.title}</span>
      {aside ? (
        <button type="button" className="plain-button" onClick={() => set(null)}>
          Bring it back
        </button>
      ) : (
        <>
          <label>
            set aside, because{' '}
            <input
              className="part min-w-40"
              autoFocus
              placeholder="tag lost, lid off …"
              value={reason}
              maxLength={500}
              onChange={(e) => setReason(e.target.value)}
            />
          </label>
          <button type="submit" className="plain-button" disabled={!reason.trim()}>
            Set aside
          </button>
        </>
      )}
      <a
        className="plain-button"
        href={`${readingsHref}#row=${first.row + 1}&column=${encodeURIComponent(first.column)}`}
      >
        Go to its row
      </a>
      <button type="button" className="plain-button" onClick={onClose}>
        Leave it
      </button>
    </form>
  );
}

function Look({ shown, onPoint }: { shown: Answer; onPoint: (point: PointedAt) => void }) {
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(690);
  useEffect(() => {
    if (!frame.current) return;
    const watcher = new ResizeObserver(
      ([entry]) => entry && setWidth(Math.max(420, Math.floor(entry.contentRect.width))),
    );
    watcher.observe(frame.current);
    return () => watcher.disconnect();
  }, []);
  const drawing = useMemo(() => layout(lookScene(shown, width)), [shown, width]);
  return (
    <div ref={frame} className="overflow-x-auto">
      <DrawingView drawing={drawing} onPoint={onPoint} />
    </div>
  );
}

function TellLine({ name, text }: { name: string; text: Text }) {
  return (
    <div className="mb-3">
      <h3 className="flex items-baseline gap-4 text-sm font-semibold">
        {name}{' '}
        <CopyButton
          copied={() => ({ plain: plain(text), html: html(text) })}
          label={`Copy the ${name.toLowerCase()}`}
        />
      </h3>
      <p className="prose-serif max-w-[68ch] text-[15.5px]" data-testid={`tell-${name.toLowerCase()}`}>
        <RichText text={text} />
      </p>
    </div>
  );
}

/** The method and its reason, and what the readings themselves have to say beforehand. */
function MarginNotes({
  question,
  shown,
  table,
  readingsHref,
  onEdit,
  onChange,
}: {
  question: Question;
  shown: Answer | undefined;
  table: Table;
  readingsHref: string;
  onEdit: (edits: TableEdit[]) => void;
  onChange: (question: Question) => void;
}) {
  const unread = shown?.groups.flatMap((g) => g.readings.unread.map((cell) => ({ ...cell, group: g.name }))) ?? [];
  const aside = shown?.groups.flatMap((g) => g.readings.aside.map((cell) => ({ ...cell, group: g.name }))) ?? [];
  const spreads = shown?.groups.map((g) => g.description?.sd) ?? [];
  const [sa, sb] = spreads;
  return (
    <aside
      aria-label="Margin notes"
      className="w-60 shrink-0 space-y-4 py-4 pr-6 max-[1100px]:w-full max-[1100px]:pl-6"
    >
      <section className="note">
        <h2 className="part-of-page">Method</h2>
        <p className="font-semibold">{methodName(question)}</p>
        <p className="text-muted">{methodReason(question)}</p>
        {question.design === 'two-groups' && sa !== undefined && sb !== undefined && sa > 0 && sb > 0 && (
          <p className="mt-1 text-muted">
            Here the larger SD is {significant(Math.max(sa, sb) / Math.min(sa, sb), 3)} times the smaller.
          </p>
        )}
      </section>
      {shown && <SamplesNote shown={shown} table={table} onEdit={onEdit} onChange={onChange} />}
      {question.direction !== 'either' && (
        <section className="note">
          <h2 className="part-of-page">Direction</h2>
          <p className="text-muted">
            A direction is right when it was fixed before anyone saw the readings. Chosen afterwards, it halves p and
            doubles the chance of a false alarm.
          </p>
        </section>
      )}
      {aside.length > 0 && (
        <section className="note">
          <h2 className="part-of-page">Set aside</h2>
          <ul>
            {aside.slice(0, 8).map((cell) => (
              <li key={`${cell.group}-${cell.row}`}>
                {cell.group}, row {cell.row + 1}: <s className="text-muted">{cell.text}</s> {cell.reason}
              </li>
            ))}
          </ul>
          {aside.length > 8 && <p>and {aside.length - 8} more</p>}
        </section>
      )}
      {unread.length > 0 && (
        <section className="note text-warning">
          <h2 className="part-of-page">Left out</h2>
          <p>
            {counted(unread.length, 'cell')} could not be read as a number: “{unread[0]?.text.slice(0, 30)}” in{' '}
            {unread[0]?.group}, row {(unread[0]?.row ?? 0) + 1}
            {unread.length > 1 ? ' …' : '.'}
          </p>
        </section>
      )}
      <p className="note">
        <a className="plain-button" href={readingsHref}>
          To the readings
        </a>
      </p>
    </aside>
  );
}

interface Asked {
  id: string;
  tableId: string;
  question: Question;
  revision: number;
}

function Page({ study, asked, kept }: { study: string; asked: Asked; kept: Kept }) {
  const [store] = useState(() => tableStore(kept));
  const table = useStore(store.$table);
  const tableSaving = useStore(store.$saving);
  const {
    value: question,
    change,
    saving,
  } = useKeptValue(`/api/questions/${asked.id}`, 'question', asked.question, asked.revision);
  const [trouble, setTrouble] = useState('');
  const [pointed, setPointed] = useState<PointedAt>();
  const readingsHref = `/studies/${study}/readings/${asked.tableId}`;
  useEffect(() => guardUnsaved(store), [store]);
  useEffect(() => followTable(store), [store]);

  const result = useMemo(() => answer(question, table), [question, table]);
  const shown = result.ok ? result.value : undefined;
  const comparison = shown?.comparison.ok ? shown.comparison.value : undefined;
  const reason = result.ok ? (result.value.comparison.ok ? '' : result.value.comparison.reason) : result.reason;

  const makeFigure = async () => {
    try {
      const { id } = await send<{ id: string }>('POST', '/api/figures', {
        question: asked.id,
        style: defaultFigureStyle,
      });
      window.location.assign(`/studies/${study}/figures/${id}`);
    } catch (error) {
      setTrouble(inWords(error));
    }
  };

  return (
    <div className="flex max-[1100px]:flex-col">
      <article className="min-w-0 grow px-6 pb-16">
        <div className="flex h-7 items-end justify-end">
          <SaveState saving={saving.state === 'saved' ? tableSaving : saving} />
        </div>
        <RefusedNotice saving={tableSaving} store={store} />
        {saving.state === 'refused' && (
          <p role="alert" className="border-l-4 border-warning bg-base-200 px-4 py-2 text-sm">
            {saving.reason}{' '}
            <button type="button" className="plain-button" onClick={() => window.location.reload()}>
              Show the newer question
            </button>
          </p>
        )}
        <Part name="Ask">
          <Ask
            question={question}
            table={table}
            onChange={change}
            onEdit={(edits) => setTrouble(store.edit(edits) ?? '')}
          />
        </Part>
        {shown && (
          <Part name="Look">
            <Look shown={shown} onPoint={setPointed} />
            {pointed && (
              <Pointed
                key={pointed.title}
                point={pointed}
                table={table}
                readingsHref={readingsHref}
                onEdit={(edits) => setTrouble(store.edit(edits) ?? '')}
                onClose={() => setPointed(undefined)}
              />
            )}
          </Part>
        )}
        <HeadlineBand headline={shown && comparison && headline(shown, comparison)} reason={reason} />
        {shown && (
          <Part name="Answer">
            <div className="space-y-5 overflow-x-auto">
              {comparison && <TestTable answer={shown} comparison={comparison} />}
              <GroupTable answer={shown} />
            </div>
          </Part>
        )}
        {shown && (
          <Part name="Tell">
            <TellLine name="Methods" text={methodsSentence(shown)} />
            {comparison && <TellLine name="Results" text={resultsSentence(shown, comparison)} />}
            <TellLine name="Legend" text={figureLegend(shown, defaultFigureStyle)} />
            <button type="button" className="plain-button" onClick={() => void makeFigure()}>
              <ImagePlus size={15} aria-hidden /> Make a figure of this
            </button>
          </Part>
        )}
        {trouble && (
          <p role="alert" className="text-error">
            {trouble}
          </p>
        )}
      </article>
      <MarginNotes
        question={question}
        shown={shown}
        table={table}
        readingsHref={readingsHref}
        onEdit={(edits) => setTrouble(store.edit(edits) ?? '')}
        onChange={change}
      />
    </div>
  );
}

/** A question's page: Ask, Look, Answer, Tell. Everything below the sentence is computed from it and the readings. */
export const QuestionPage = ({ study, asked, kept }: { study: string; asked: Asked; kept: Kept | undefined }) => (
  <WithTable id={asked.tableId} kept={kept}>
    {(found) => <Page study={study} asked={asked} kept={found} />}
  </WithTable>
);
