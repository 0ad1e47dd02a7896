import { useStore } from '@nanostores/react';
import { Columns2, ImagePlus, Rows3 } from 'lucide-react';
import { type ReactNode, useEffect, useState } from 'react';
import type { PointedAt } from '../../charts/DrawingView';
import type { Answer } from '../../core/answer/answer';
import { rangesOver } from '../../core/answering/many';
import { asksOfEvery, comparesMeasure } from '../../core/question/asking';
import type { Question } from '../../core/question/question';
import type { TableEdit } from '../../core/readings/table-edit';
import { effectAxis } from '../../core/scenes/effect-axis';
import { figureOf } from '../../core/scenes/views';
import { headline } from '../../core/telling/headline';
import { inWords, send } from '../shared/api';
import { Live } from '../shared/Live';
import { useKeptValue } from '../shared/kept-value';
import { usePickedRows } from '../shared/picked-rows';
import { SaveState } from '../shared/SaveState';
import { type Packed } from '../../formats/wire';
import type { Kept } from '../shared/fetch-table';
import { followTable, guardUnsaved, tableStore } from '../shared/table-store';
import { later } from '../shared/later';
import { WithTable } from '../shared/WithTable';
import { AnswerTables, HeadlineBand } from './AnswerPart';
import { Ask } from './Ask';
import { CheckPart } from './CheckPart';
import { LookPart } from './LookPart';
import { MarginNotes } from './MarginNotes';
import { AlternativeMethods } from './AlternativeMethods';
import { partId } from './SectionIndex';
import { Guide } from './Guide';
import { QuestionName } from './QuestionName';
import { Registration } from './Registration';
import { RemoveQuestion } from './RemoveQuestion';
import { TellPart } from './TellPart';
import { UnderstandPart } from './UnderstandPart';
import { WorkingOut } from './WorkingOut';
import { reasonOf, useAnswer } from './use-answer';
import { benchFor } from './bench-for';
import { useBenchLinks } from '../shared/bench-links';
import { useWaysOut } from './use-ways-out';
import { RefusedNotice } from '../shared/RefusedNotice';
import { NewerElsewhere } from '../shared/NewerElsewhere';
import PointedReading from './PointedReading';

const WhichDiffer = later(() => import('./WhichDiffer'));

/** One of the parts of a question's page, its name hung in the margin. */
function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section
      aria-labelledby={partId(name)}
      className="grid grid-cols-[4.2rem_minmax(0,1fr)] py-3 max-[600px]:grid-cols-1"
    >
      <h2 id={partId(name)} className="part-of-page scroll-mt-3 pt-1">
        {name}
      </h2>
      <div className="min-w-0">{children}</div>
    </section>
  );
}

interface Asked {
  id: string;
  tableId: string;
  question: Question;
  revision: number;
}

interface Props {
  study: string;
  asked: Asked;
  kept: Packed<Kept> | undefined;
  /** What a plan made for it on the bench comes back with. */
  planned?: number | undefined;
}

function Page({ study, asked, readings, planned }: Omit<Props, 'kept'> & { readings: Kept }) {
  const [store] = useState(() => tableStore(readings));
  const table = useStore(store.$table);
  const tableSaving = useStore(store.$saving);
  const kept = useKeptValue(`/api/questions/${asked.id}`, 'question', asked.question, asked.revision);
  const { value: question, change, saving } = kept;
  const [trouble, setTrouble] = useState('');
  const [pointed, setPointed] = useState<PointedAt>();
  const [sorted, setSorted] = useState(false);
  const [chosen, setChosen] = useState(0);
  const picked = usePickedRows(asked.tableId);
  const readingsHref = `/studies/${study}/readings/${asked.tableId}`;
  const href = `/studies/${study}/questions/${asked.id}`;
  useEffect(() => guardUnsaved(store), [store]);
  useEffect(() => followTable(store), [store]);

  const answering = useAnswer(question, table, true);
  const { result } = answering;
  const shown = result?.ok ? result.value : undefined;
  // While the test still runs, what it is about can be looked at.
  const groups = shown ?? answering.described;
  const comparison = shown?.comparison.ok ? shown.comparison.value : undefined;
  const reason = reasonOf(result);
  useBenchLinks(benchFor(shown, href));
  const ways = useWaysOut(reason, question, table);
  const edit = (edits: TableEdit[]) => setTrouble(store.edit(edits) ?? '');

  const trying = async (run: () => Promise<void>): Promise<void> => {
    try {
      await run();
    } catch (error) {
      setTrouble(inWords(error));
    }
  };
  const makeFigure = (shown: Answer) =>
    trying(async () => {
      const { kindOf: shownAs, kindsFor, usualStyle } = await import('../../core/figures/kinds');
      const style = usualStyle(shown);
      const asSeen = (of: Answer) => {
        const seen = new URLSearchParams(window.location.search);
        const kind = figureOf[seen.get('look') ?? ''];
        if (!kind || !kindsFor(of).includes(kind)) return undefined;
        const from = kind === 'changes' ? seen.get('from') : null;
        return { kind, ...(from === null ? {} : { changeFrom: from }) };
      };
      const { id } = await send<{ id: string }>('POST', '/api/figures', {
        question: asked.id,
        // What was last looked at is what is made.
        style: { ...style, ...asSeen(shown), kind: asSeen(shown)?.kind ?? shownAs(shown, style) },
      });
      window.location.assign(`/studies/${study}/figures/${id}`);
    });
  /** The same question once more, beside this one, to be changed there. */
  const askAgain = () =>
    trying(async () => {
      const { own: _, registered: __, name: ___, ...same } = question;
      const { id } = await send<{ id: string }>('POST', '/api/questions', { table: asked.tableId, question: same });
      window.location.assign(`/studies/${study}/beside/${asked.id}/${id}`);
    });
  const manyMeasures =
    asksOfEvery(question, table) || (comparesMeasure(question, table) && rangesOver(table, question).length > 0);

  return (
    <Live className="min-[1100px]:grid min-[1100px]:grid-cols-[minmax(0,1fr)_15rem]">
      <article className="min-w-0 px-6 pb-16">
        <div className="flex h-7 items-end justify-between gap-6">
          <QuestionName question={question} table={table} onChange={change} />
          <SaveState saving={saving.state === 'saved' ? tableSaving : saving} />
        </div>
        <Guide />
        <RefusedNotice store={store} />
        <NewerElsewhere kept={kept} what="question" />
        <Part name="Ask">
          <Ask
            question={question}
            settled={shown?.question ?? question}
            table={table}
            unit={shown?.unit ?? ''}
            repeated={shown ? { repeats: shown.repeats, averaged: shown.averaged } : {}}
            onChange={change}
            onEdit={edit}
          />
          <Registration question={question} shown={groups} href={href} fromPlan={planned} onChange={change} />
        </Part>
        {groups && (
          <Part name="Look">
            <LookPart answer={groups} sorted={sorted} picked={picked} onPoint={setPointed} />
            {pointed && (
              <PointedReading
                key={`${pointed.title} ${pointed.cells[0]?.row ?? ''}`}
                point={pointed}
                table={table}
                readingsHref={readingsHref}
                onEdit={edit}
                onClose={() => setPointed(undefined)}
              />
            )}
          </Part>
        )}
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
        {!result && groups && (
          <Part name="Groups">
            <AnswerTables answer={groups} />
          </Part>
        )}
        {shown && (
          <Part name="Answer">
            <div className="space-y-5 overflow-x-auto">
              <AnswerTables answer={shown} />
              {comparison?.follow && (
                <WhichDiffer
                  answer={shown}
                  comparison={comparison}
                  sorted={sorted}
                  onSort={setSorted}
                  chosen={chosen}
                  onChoose={setChosen}
                  asked={question}
                  onChange={change}
                />
              )}
            </div>
          </Part>
        )}
        {shown && (
          <Part name="Check">
            <CheckPart answer={shown} readingsHref={readingsHref} onChange={change} />
            {/* What the answer rests on is also whether other methods agree, and how it was worked out. */}
            <div className="mt-5 space-y-5 overflow-x-auto">
              <AlternativeMethods question={question} table={table} axis={effectAxis(shown)} onChange={change} />
              {comparison && (
                <UnderstandPart
                  answer={shown}
                  comparison={comparison}
                  table={table}
                  chosen={chosen}
                  onChange={change}
                />
              )}
            </div>
          </Part>
        )}
        {shown && (
          <Part name="Tell">
            <TellPart answer={shown} onChange={change} />
            <p className="mt-2 flex flex-wrap gap-x-5">
              <button type="button" className="plain-button" onClick={() => void makeFigure(shown)}>
                <ImagePlus size={15} aria-hidden /> Make a figure of this
              </button>
              <button type="button" className="plain-button" onClick={() => void askAgain()}>
                <Columns2 size={15} aria-hidden /> Ask again beside this one
              </button>
              {/* The log can bring it back. */}
              <RemoveQuestion id={asked.id} onRemoved={() => window.location.assign(`/studies/${study}/log`)} />
              {manyMeasures && (
                <a className="plain-button" href={`${href}/measures`}>
                  <Rows3 size={15} aria-hidden /> Ask it of every measure
                </a>
              )}
            </p>
          </Part>
        )}
        {trouble && (
          <p role="alert" className="text-error">
            {trouble}
          </p>
        )}
      </article>
      <MarginNotes
        parts={['Ask', ...(groups ? ['Look'] : []), ...(shown ? ['Answer', 'Check', 'Tell'] : [])]}
        question={question}
        shown={shown}
        table={table}
        href={href}
        readingsHref={readingsHref}
        onChange={change}
      />
    </Live>
  );
}

/** A question's page: Ask, Look, Answer, Check, Tell. Everything below the sentence is computed from it and the readings. */
export const QuestionPage = ({ study, asked, kept, planned }: Props) => (
  <WithTable id={asked.tableId} kept={kept}>
    {(found) => <Page study={study} asked={asked} readings={found} planned={planned} />}
  </WithTable>
);
