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
import { effectDomain, measuresAxis, measuresOverview } from '../../core/scenes/measures-overview';
import { methodName } from '../../core/telling/method';
import { between, degreesOfFreedom, effectDecimals, fixed, pValue, percent } from '../../core/words/numbers';
import { subtraction } from '../../core/words/two';
import { DrawingView } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import { htmlTable } from '../../formats/html-document';
import { measuresCsv, measuresTable, measuresXlsx } from '../../formats/measures-table';
import { inWords, send } from '../shared/api';
import { CopyButton } from '../shared/CopyButton';
import { GroupMarker } from '../shared/GroupMarker';
import { Choose } from '../kit/Parts';
import { save } from '../shared/save';
import { type Packed } from '../../formats/wire';
import type { Kept } from '../shared/fetch-table';
import { followTable, tableStore } from '../shared/table-store';
import { WithTable } from '../shared/WithTable';
import { useMany } from './use-many';

interface Asked {
  id: string;
  tableId: string;
  question: Question;
}

type SortKey = 'given' | 'name' | 'estimate' | 'p' | 'adjusted';

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
    if (key === 'adjusted') return r.adjusted ?? Infinity;
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

/** Fewer measures than this are taken in row by row. */
const fewest = 8;

const meanAndSd = ({ mean, sd }: Row['groups'][number], decimals: number): string =>
  mean === undefined ? '–' : `${fixed(mean, decimals)}${sd === undefined ? '' : ` ± ${fixed(sd, decimals)}`}`;

/** "t(26.6) = 3.88" */
const testOf = ({ symbol, statistic, df = [] }: Row): string =>
  statistic === undefined
    ? '–'
    : `${symbol ?? ''}${df.length > 0 ? `(${df.map(degreesOfFreedom).join(', ')})` : ''} = ${fixed(statistic, 2)}`;

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
  const single = kindOf[question.design] === 'two' || question.design === 'one-sample';
  const differs = (r: Row): boolean => r.adjusted !== undefined && passes(r.adjusted, question.level);
  const significant = rows.filter(differs).length;
  const tested = rows.filter((r) => r.adjusted !== undefined).length;
  const axis = useMemo(() => measuresAxis(answers), [answers]);
  const domain = useMemo(() => effectDomain(answers, axis), [answers, axis]);
  const [figures, setFigures] = useState<'drawn' | 'figures'>('drawn');
  const [picked, setPicked] = useState<number>();
  const pick = (place: number) => {
    setPicked(place);
    virtual.scrollToIndex(
      shown.findIndex((r) => r.place === place),
      { align: 'center' },
    );
  };
  // It keeps its room while they are answered, so that the table does not move when it comes.
  const expected = !running ? rows.length : chosen === '' ? columnsOf(table, 'measure').length : count;
  const overview = single && expected >= fewest;
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
        , with{' '}
        <Choose
          label="What the table shows"
          value={figures}
          options={{ drawn: 'means and intervals drawn', figures: 'means, SDs and tests in figures' }}
          onChange={setFigures}
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
                  {tested === 0
                    ? `None of ${rows.length} could be compared.`
                    : `${significant} of ${tested} ${significant === 1 ? 'differs' : 'differ'} at ${percent(question.level)} after ${method === 'holm' ? 'Holm' : 'Benjamini–Hochberg, which holds the share of false findings'}${tested < rows.length ? `; ${rows.length - tested} could not be compared` : ''}.`}
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
      {overview && (
        <div className="min-h-[272px] max-w-3xl overflow-x-auto" data-testid="overview">
          {!running && (
            <DrawingView
              drawing={layout(
                measuresOverview(
                  rows.map((r) => ({ ...r, significant: differs(r) })),
                  axis,
                  720,
                ),
              )}
              onPoint={({ cells }) => cells[0] && pick(cells[0].row)}
              marked={(cells) => cells.some((c) => c.row === picked)}
            />
          )}
        </div>
      )}
      <div className="overflow-x-auto">
        <div
          role="table"
          aria-label="Every measure"
          aria-rowcount={shown.length + 1}
          className="min-w-[60rem] text-[14px]"
        >
          <div role="row" className={`${grid} border-b border-line py-1`}>
            {head('name', 'measure')}
            <span role="columnheader" className="text-muted">
              {figures === 'figures' ? 'mean ± SD' : 'groups'}
            </span>
            <span role="columnheader" className="text-muted">
              <i>n</i>
            </span>
            <span role="columnheader" className="text-muted">
              {figures === 'figures' ? 'test' : single ? 'against no difference' : ''}
            </span>
            {head('estimate', single ? effect : 'statistic', 'justify-end')}
            <span role="columnheader" className="text-right text-muted">
              {single ? `${percent(question.level)} CI` : ''}
            </span>
            {head('p', 'p', 'justify-end italic')}
            {head('adjusted', 'adjusted p', 'justify-end')}
          </div>
          <div
            ref={frame}
            role="rowgroup"
            className={`${overview ? 'h-[calc(100vh-33rem)]' : 'h-[calc(100vh-16rem)]'} min-h-60 overflow-y-auto`}
            tabIndex={0}
            aria-label="Measures"
          >
            <div role="presentation" className="relative" style={{ height: virtual.getTotalSize() }}>
              {virtual.getVirtualItems().map((item) => {
                const r = shown[item.index];
                if (!r) return null;
                const low = differs(r);
                const scene = measureScene(r, axis, domain);
                return (
                  <div
                    key={r.place}
                    role="row"
                    aria-rowindex={item.index + 2}
                    data-testid="measure-row"
                    className={`${grid} absolute right-0 left-0 border-b border-line/60 ${low ? 'font-semibold' : ''} ${r.place === picked ? 'bg-base-200' : ''}`}
                    aria-current={r.place === picked ? true : undefined}
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
                    <span role="cell" className={figures === 'figures' ? 'truncate text-[13px] font-normal' : ''}>
                      {figures === 'figures'
                        ? r.groups.map((g) => meanAndSd(g, decimalsOf(r))).join(' · ')
                        : scene.groups && <DrawingView drawing={layout(scene.groups)} />}
                    </span>
                    <span role="cell">{r.n.join(' + ')}</span>
                    {r.reason === undefined ? (
                      <>
                        <span role="cell" className={figures === 'figures' ? 'truncate text-[13px] font-normal' : ''}>
                          {figures === 'figures'
                            ? testOf(r)
                            : scene.effect && <DrawingView drawing={layout(scene.effect)} />}
                        </span>
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
export const ManyPage = ({ study, asked, kept }: { study: string; asked: Asked; kept: Packed<Kept> | undefined }) => (
  <WithTable id={asked.tableId} kept={kept}>
    {(found) => <Page study={study} asked={asked} kept={found} />}
  </WithTable>
);
