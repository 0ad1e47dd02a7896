import { useStore } from '@nanostores/react';
import { useEffect, useMemo, useState } from 'react';
import { DrawingView } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import type { Answer } from '../../core/answer/answer';
import type { Question } from '../../core/question/question';
import { besideScene } from '../../core/scenes/beside';
import { headline } from '../../core/telling/headline';
import { AnswerTables, HeadlineBand } from '../question/AnswerPart';
import { Ask } from '../question/Ask';
import { WorkingOut } from '../question/WorkingOut';
import { reasonOf, useAnswer } from '../question/use-answer';
import { useWaysOut } from '../question/use-ways-out';
import { useKeptValue } from '../shared/kept-value';
import { NewerElsewhere } from '../shared/NewerElsewhere';
import { RefusedNotice } from '../shared/RefusedNotice';
import { SaveState } from '../shared/SaveState';
import { type Packed } from '../../formats/wire';
import type { Kept } from '../shared/fetch-table';
import { type TableStore, followTable, guardUnsaved, tableStore } from '../shared/table-store';
import { WithTable } from '../shared/WithTable';
import { Choose, byName } from '../kit/Parts';

interface Asked {
  id: string;
  tableId: string;
  question: Question;
  revision: number;
}

interface Side {
  asked: Asked;
  kept: Packed<Kept> | undefined;
}

interface Props {
  study: string;
  left: Side;
  right: Side;
  others: readonly { id: string; label: string }[];
}

/** One of the two answers: its question to change, its headline, its tables. */
function AnswerSide({
  study,
  asked,
  store,
  name,
  onAnswer,
}: {
  study: string;
  asked: Asked;
  store: TableStore;
  name: string;
  onAnswer: (found: Answer | undefined) => void;
}) {
  const [trouble, setTrouble] = useState('');
  const table = useStore(store.$table);
  const tableSaving = useStore(store.$saving);
  const kept = useKeptValue(`/api/questions/${asked.id}`, 'question', asked.question, asked.revision);
  const { value, change, saving } = kept;
  const answering = useAnswer(value, table);
  const { result } = answering;
  const shown = result?.ok ? result.value : undefined;
  const comparison = shown?.comparison.ok ? shown.comparison.value : undefined;
  const reason = reasonOf(result);
  const ways = useWaysOut(reason, value, table);
  useEffect(() => onAnswer(shown), [shown, onAnswer]);
  return (
    <section aria-label={name} className="min-w-0 flex-1 px-5">
      <div className="flex h-7 items-end justify-between text-sm">
        <a className="plain-button" href={`/studies/${study}/questions/${asked.id}`}>
          {name}: open it
        </a>
        <SaveState saving={saving.state === 'saved' ? tableSaving : saving} />
      </div>
      <RefusedNotice store={store} />
      <NewerElsewhere kept={kept} what="question" />
      {trouble && (
        <p role="alert" className="text-sm text-error">
          {trouble}
        </p>
      )}
      <div className="min-h-40 py-2">
        <Ask
          question={value}
          settled={shown?.question ?? value}
          table={table}
          unit={shown?.unit ?? ''}
          repeated={shown ? { repeats: shown.repeats, averaged: shown.averaged } : {}}
          onChange={change}
          onEdit={(edits) => setTrouble(store.edit(edits) ?? '')}
        />
      </div>
      {result ? (
        <HeadlineBand
          headline={shown && comparison && headline(shown, comparison)}
          reason={reason}
          waysOut={ways}
          onTake={change}
        />
      ) : (
        <WorkingOut {...answering} />
      )}
      <div className="space-y-4 overflow-x-auto py-3">{shown && <AnswerTables answer={shown} />}</div>
    </section>
  );
}

function Both({ study, left, right, others, tables }: Props & { tables: readonly [Kept, Kept] }) {
  // One table under both questions is one store: an edit reaches both answers at once.
  const [stores] = useState((): [TableStore, TableStore] => {
    const first = tableStore(tables[0]);
    return [first, left.asked.tableId === right.asked.tableId ? first : tableStore(tables[1])];
  });
  useEffect(() => {
    const ends = [...new Set(stores)].flatMap((s) => [guardUnsaved(s), followTable(s)]);
    return () => ends.forEach((end) => end());
  }, [stores]);
  const [first, setFirst] = useState<Answer>();
  const [second, setSecond] = useState<Answer>();
  const both = useMemo(() => besideScene(first, second, 900), [first, second]);
  const drawing = useMemo(() => (both?.ok ? layout(both.value) : undefined), [both]);
  return (
    <article className="pb-12">
      <header className="flex flex-wrap items-baseline gap-x-4 px-5 pt-4">
        <h1 className="prose-serif text-[21px]">Two answers side by side</h1>
        <p className="text-sm text-muted">
          on the right{' '}
          <Choose
            label="The answer on the right"
            value={right.asked.id}
            options={byName(
              others.filter((q) => q.id !== left.asked.id),
              (q) => q.label,
            )}
            onChange={(id) => window.location.assign(`/studies/${study}/beside/${left.asked.id}/${id}`)}
          />
        </p>
      </header>
      {both && !both.ok && (
        <p role="status" className="px-5 pt-2 text-sm text-muted" data-testid="no-common-scale">
          {both.reason}
        </p>
      )}
      {drawing && (
        <div className="overflow-x-auto px-5" data-testid="both-effects">
          <DrawingView drawing={drawing} />
        </div>
      )}
      <div className="flex divide-x divide-line max-[900px]:flex-col">
        <AnswerSide study={study} asked={left.asked} store={stores[0]} name="Left" onAnswer={setFirst} />
        <AnswerSide study={study} asked={right.asked} store={stores[1]} name="Right" onAnswer={setSecond} />
      </div>
    </article>
  );
}

/** Two answers beside one another, their effects on one axis: another level, another method, with and without a reading. */
export const BesidePage = (props: Props) => (
  <WithTable id={props.left.asked.tableId} kept={props.left.kept}>
    {(first) => (
      <WithTable id={props.right.asked.tableId} kept={props.right.kept}>
        {(second) => <Both {...props} tables={[first, second]} />}
      </WithTable>
    )}
  </WithTable>
);
