import { passes } from '../../core/procedures/interval';
import { useStore } from '@nanostores/react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { MeasureAnswer, Over } from '../../core/answer/measure-answer';
import { byOneMethod, rangesOver } from '../../core/answering/many';
import { adjustP } from '../../core/procedures/adjust-p';
import { kindOf } from '../../core/question/asking';
import { namesOf } from '../../core/question/naming';
import type { Question } from '../../core/question/question';
import { columnsOf } from '../../core/readings/table';
import { measureScene } from '../../core/scenes/measure-picture';
import { methodName } from '../../core/telling/method';
import { between, effectDecimals, fixed, pValue, percent } from '../../core/words/numbers';
import { subtraction } from '../../core/words/two';
import { DrawingView } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import { htmlTable } from '../../formats/html-document';
import { measuresCsv, measuresTable, measuresXlsx } from '../../formats/measures-table';
import { inWords, send } from '../shared/api';
import { CopyButton } from '../shared/CopyButton';
import { GroupMarker } from '../shared/GroupMarker';
import { Choose } from '../shared/Parts';
import { save } from '../shared/save';
import { type Kept, followTable, tableStore } from '../shared/table-store';
import { WithTable } from '../shared/WithTable';
import { useMany } from './use-many';

interface Asked {
  id: string;
  tableId: string;
  question: Question;
}

type SortKey = 'given' | 'name' | 'estimate' | 'p';

interface Row extends MeasureAnswer {
  place: number;
  adjusted: number | undefined;
}

const rowHeight = 36;

function sortedRows(rows: readonly Row[], key: SortKey, down: boolean): Row[] {
  const value = (r: Row): number | string => {
    if (key === 'name') return r.name;
    if (key === 'estimate') return r.estimate ?? r.statistic ?? Infinity;
    if (key === 'p') return r.p ?? Infinity;
    return r.place;
  };
  const out = [...rows].sort((x, y) => {
    const [a, b] = [value(x), value(y)];
    return typeof a === 'string' && typeof b === 'string'
      ? a.localeCompare(b, undefined, { numeric: true })
      : Number(a) - Number(b);
  });
  return down ? out.reverse() : out;
}

const decimalsOf = ({ estimate = 0, interval }: Row): number => effectDecimals({ estimate, interval });

/** An effect to its interval's precision. */
const estimateOf = (r: Row): string =>
  r.estimate === undefined
    ? r.statistic === undefined
      ? '–'
      : fixed(r.statistic, 2)
    : fixed(r.estimate, decimalsOf(r));

function Page({ study, asked, kept }: { study: string; asked: Asked; kept: Kept }) {
  const [store] = useState(() => tableStore(kept));
  const table = useStore(store.$table);
  useEffect(() => followTable(store), [store]);
  const { question } = asked;
  const ranges = useMemo(() => rangesOver(table, question), [table, question]);
  const manyColumns = columnsOf(table, 'measure').length > 1;
  const [chosen, setChosen] = useState(manyColumns ? '' : (ranges[0]?.id ?? ''));
  const over: Over = chosen === '' ? { columns: true } : { levelsOf: chosen };
  const { answers, count, running, trouble, stop } = useMany(question, table, over);
  const [method, setMethod] = useState<'holm' | 'benjamini-hochberg'>('holm');
  const [sort, setSort] = useState<{ key: SortKey; down: boolean }>({ key: 'given', down: false });
  const [refused, setRefused] = useState('');
  const rows = useMemo(() => {
    const withP = answers.flatMap((a, place) => (a.p === undefined ? [] : [{ place, p: a.p }]));
    const adjusted = new Map<number, number>();
    adjustP(
      withP.map((x) => x.p),
      method,
    ).forEach((p, i) => adjusted.set(withP[i]?.place ?? -1, p));
    return answers.map((a, place): Row => ({ ...a, place, adjusted: adjusted.get(place) }));
  }, [answers, method]);
  const shown = useMemo(() => sortedRows(rows, sort.key, sort.down), [rows, sort]);
  const frame = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => frame.current,
    estimateSize: () => rowHeight,
    overscan: 8,
  });
  const significant = rows.filter((r) => r.adjusted !== undefined && passes(r.adjusted, question.level)).length;
  const single = kindOf[question.design] === 'two' || question.design === 'one-sample';
  const effect = rows.some((r) => r.ratio) ? 'ratio' : 'difference';
  const named = useMemo(() => namesOf(question, table), [question, table]);
  const order = single ? subtraction(named) : '';

  const open = async (row: Row) => {
    try {
      const { own: _, only: __, name: ___, ...rest } = question;
      const { id } = await send<{ id: string }>('POST', '/api/questions', {
        table: asked.tableId,
        question: { ...rest, ...row.patch },
      });
      window.location.assign(`/studies/${study}/questions/${id}`);
    } catch (error) {
      setRefused(inWords(error));
    }
  };
  const head = (key: SortKey, words: string, extra = '') => (
    <span
      role="columnheader"
      aria-sort={sort.key === key ? (sort.down ? 'descending' : 'ascending') : 'none'}
      className={`flex ${extra}`}
    >
      <button
        type="button"
        className="flex items-center gap-1 text-muted hover:text-inherit"
        onClick={() => setSort({ key, down: sort.key === key ? !sort.down : false })}
      >
        {words}
        {sort.key === key && (sort.down ? <ArrowDown size={13} aria-hidden /> : <ArrowUp size={13} aria-hidden />)}
      </button>
    </span>
  );
  const asTable = () =>
    measuresTable(
      shown,
      named.groups.map((g) => g.name),
    );
  const copied = () => {
    const [head = [], ...rest] = asTable().map((row) => row.map((value) => String(value ?? '')));
    const asText = (row: string[]) => row.map((value) => [value]);
    return {
      plain: [head, ...rest].map((row) => row.join('\t')).join('\n'),
      html: htmlTable({ title: 'Every measure', head: asText(head), rows: rest.map(asText) }),
    };
  };
  const file = async (kind: 'csv' | 'xlsx') => {
    const table = asTable();
    save(kind === 'csv' ? measuresCsv(table) : await measuresXlsx(table), `every-measure.${kind}`);
  };
  const grid = 'grid grid-cols-[minmax(8rem,1.4fr)_9rem_4.5rem_9rem_6rem_9rem_5rem_6rem] items-center gap-x-3';

  return (
    <article className="px-6 py-4">
      <h1 className="prose-serif text-[23px]">The same question of every measure</h1>
      <p className="prose-serif text-[16px] text-muted">
        {methodName(byOneMethod(question))} of{' '}
        {ranges.length > 0 ? (
          <Choose
            label="Which measures"
            value={chosen}
            options={{
              ...(manyColumns ? { '': 'every column that was measured' } : {}),
              ...Object.fromEntries(ranges.map((r) => [r.id, `each ${r.name}`])),
            }}
            onChange={setChosen}
          />
        ) : (
          'every column that was measured'
        )}
        , intervals at {percent(question.level)}; p adjusted for their number by{' '}
        <Choose
          label="Adjusted by"
          value={method}
          options={{ holm: 'Holm', 'benjamini-hochberg': 'Benjamini–Hochberg' }}
          onChange={setMethod}
        />
        .{' '}
        <a className="plain-button font-sans text-sm" href={`/studies/${study}/questions/${asked.id}`}>
          To the question
        </a>
      </p>
      <p className="flex flex-wrap items-baseline gap-x-4 py-1 text-sm" role="status" data-testid="many-status">
        {running ? (
          <>
            <progress
              className="w-40 accent-primary"
              max={Math.max(1, count)}
              value={answers.length}
              aria-label="Measures answered"
            />
            {answers.length} of {count || '…'}
            <button type="button" className="plain-button" onClick={stop}>
              Stop
            </button>
          </>
        ) : (
          <>
            {rows.length === 0 ? (
              <span>
                {trouble ? '' : 'Stopped before the first answer. Change the question, or reload, to ask again.'}
              </span>
            ) : (
              <>
                <span>
                  {answers.length < count && `Stopped after ${answers.length} of ${count}: `}
                  {significant} of {rows.length} differ at {percent(question.level)} after{' '}
                  {method === 'holm' ? 'Holm' : 'Benjamini–Hochberg'}
                  {method === 'holm' ? '' : ', which holds the share of false findings'}.
                </span>
                <CopyButton copied={copied} label="Copy the table of measures" />
                <button type="button" className="plain-button" onClick={() => void file('csv')}>
                  As CSV
                </button>
                <button type="button" className="plain-button" onClick={() => void file('xlsx')}>
                  As XLSX
                </button>
              </>
            )}
          </>
        )}
        {(trouble || refused) && <span className="text-error">{trouble || refused}</span>}
      </p>
      <div role="table" aria-label="Every measure" aria-rowcount={shown.length + 1} className="text-[14px]">
        <div role="row" className={`${grid} border-b border-line py-1`}>
          {head('name', 'measure')}
          <span role="columnheader" className="text-muted">
            groups
          </span>
          <span role="columnheader" className="text-muted">
            <i>n</i>
          </span>
          <span role="columnheader" className="text-muted">
            {single ? 'against no difference' : ''}
          </span>
          {head('estimate', single ? effect : 'statistic', 'justify-end')}
          <span role="columnheader" className="text-right text-muted">
            {single ? `${percent(question.level)} CI` : ''}
          </span>
          {head('p', 'p', 'justify-end italic')}
          <span role="columnheader" className="text-right text-muted">
            adjusted <i>p</i>
          </span>
        </div>
        <div
          ref={frame}
          role="rowgroup"
          className="h-[calc(100vh-16rem)] min-h-60 overflow-y-auto"
          tabIndex={0}
          aria-label="Measures"
        >
          <div role="presentation" className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map((item) => {
              const r = shown[item.index];
              if (!r) return null;
              const low = r.adjusted !== undefined && passes(r.adjusted, question.level);
              const scene = measureScene(r);
              return (
                <div
                  key={r.place}
                  role="row"
                  aria-rowindex={item.index + 2}
                  data-testid="measure-row"
                  className={`${grid} absolute right-0 left-0 border-b border-line/60 ${low ? 'font-semibold' : ''}`}
                  style={{ height: rowHeight, transform: `translateY(${item.start}px)` }}
                >
                  <span role="rowheader" className="truncate">
                    <button
                      type="button"
                      className="text-primary hover:underline"
                      title={`${r.name}: open it as a question of its own`}
                      onClick={() => void open(r)}
                    >
                      {r.name} {r.unit && <span className="font-normal text-muted">({r.unit})</span>}
                    </button>
                  </span>
                  <span role="cell">{scene.groups && <DrawingView drawing={layout(scene.groups)} />}</span>
                  <span role="cell">{r.n.join(' + ')}</span>
                  {r.reason === undefined ? (
                    <>
                      <span role="cell">{scene.effect && <DrawingView drawing={layout(scene.effect)} />}</span>
                      <span role="cell" className="text-right">
                        {estimateOf(r)}
                      </span>
                      <span role="cell" className="text-right">
                        {r.interval && between(r.interval, decimalsOf(r))}
                      </span>
                      <span role="cell" className="text-right">
                        {r.p === undefined ? '–' : pValue(r.p)}
                      </span>
                      <span role="cell" className="text-right">
                        {r.adjusted === undefined ? '–' : pValue(r.adjusted)}
                      </span>
                    </>
                  ) : (
                    <span role="cell" className="col-span-5 truncate font-normal text-muted" title={r.reason}>
                      {r.reason}
                    </span>
                  )}
                </div>
              );
            })}
          </div>
        </div>
      </div>
      {order && (
        <p className="flex flex-wrap gap-x-4 pt-1 text-[13px] text-muted">
          <span>Differences are {order}.</span>
          {named.groups.map((g, i) => (
            <span key={g.name} className="flex items-center gap-1">
              <GroupMarker position={rows[0]?.groups[i]?.colour ?? i} /> {g.name}
            </span>
          ))}
        </p>
      )}
    </article>
  );
}

/** One question asked of every measure at once: a line each, in order of effect or p, each opening to its own page. */
export const ManyPage = ({ study, asked, kept }: { study: string; asked: Asked; kept: Kept | undefined }) => (
  <WithTable id={asked.tableId} kept={kept}>
    {(found) => <Page study={study} asked={asked} kept={found} />}
  </WithTable>
);
