import { Download, Table2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { safeCsv } from '../../formats/safe-csv';
import { arrange } from '../../core/planning/arrange';
import { type Outcome, attempt, demand } from '../../core/numeric/domain-error';
import { allocate, drawRows } from '../../core/readings/draw';
import { emptyColumn, tableOf } from '../../core/readings/table';
import { draftOf } from '../../core/readings/table-edit';
import { counted } from '../../core/words/numbers';
import { inWords, send } from '../shared/api';
import { Accepted } from '../shared/Accepted';
import { NumberField } from '../shared/NumberField';
import { CopyButton } from '../shared/CopyButton';
import { Choose } from '../shared/Parts';
import { save } from '../shared/save';
import { TextTableView } from '../shared/TextTableView';
import { type Query, asQuery, numberOf, useAddress } from './address';
import { HandOver } from './HandOver';

const tasks = { draw: 'Draw', allocate: 'Allocate', layout: 'Lay out' } as const;
type Task = keyof typeof tasks;
const ways = { simple: 'freely', blocks: 'in blocks', strata: 'within strata' } as const;

/** A list typed or pasted: a line each, or parted by commas or semicolons; of a stratum written after a tab or a colon. */
const listOf = (text: string): string[] =>
  text
    .split(/[\n;,]+/)
    .map((line) => line.trim())
    .filter(Boolean);

interface Made {
  head: string[];
  rows: string[][];
  /** A layout in its place: rows of the bench, one under the other. */
  grid?: string[][];
  told: string;
}

/** What the address asks to be drawn; the same address draws the same. */
function made(query: Query): Outcome<Made> {
  return attempt(() => {
    const task = (query['task'] ?? '') in tasks ? (query['task'] as Task) : 'draw';
    const seed = Math.round(numberOf(query, 'seed') ?? 1);
    const list = listOf(query['list'] ?? '');
    const size = Math.round(numberOf(query, 'size') ?? 24);
    demand(list.length > 0 || (size >= 1 && size <= 100_000), 'Name from 1 to 100,000 subjects.');
    const strata = list.map((line) => line.split(/[\t:]/)[1]?.trim() ?? '');
    const names =
      list.length > 0
        ? list.map((line) => line.split(/[\t:]/)[0]?.trim() ?? '')
        : Array.from({ length: size }, (_, i) => String(i + 1));
    const treatments = listOf(query['treatments'] ?? 'Red lamp, White lamp');
    if (task === 'draw') {
      const n = Math.round(numberOf(query, 'n') ?? 6);
      const replace = query['replace'] === 'yes';
      const drawn = drawRows(
        names.map((_, i) => i),
        n,
        replace,
        seed,
      );
      return {
        head: ['drawn', 'subject'],
        rows: drawn.map((row, i) => [String(i + 1), names[row] ?? '']),
        told: `${counted(n, 'subject')} drawn at random from ${names.length} ${replace ? 'with' : 'without'} replacement, seed ${seed}.`,
      };
    }
    if (task === 'layout') {
      const [rows, columns] = [Math.round(numberOf(query, 'rows') ?? 4), Math.round(numberOf(query, 'columns') ?? 6)];
      const blocked = query['free'] !== 'yes';
      const grid = arrange(rows, columns, treatments, seed, blocked);
      return {
        head: ['row', 'column', 'treatment'],
        rows: grid.flatMap((line, r) => line.map((t, c) => [String(r + 1), String(c + 1), t])),
        grid,
        told: `${counted(treatments.length, 'treatment')} over ${rows} rows and ${columns} columns at random${blocked ? ', each row and column holding them as evenly as can be' : ''}, seed ${seed}.`,
      };
    }
    const way = (query['way'] ?? '') in ways ? (query['way'] as keyof typeof ways) : 'simple';
    demand(
      way !== 'strata' || strata.every((s) => s !== ''),
      'Give each subject its stratum: a line each, as “A1: upper tank”.',
    );
    const block = Math.round(numberOf(query, 'block') ?? treatments.length * 2);
    const given = allocate(names.length, {
      way,
      treatments,
      seed,
      ...(way === 'blocks' ? { block } : {}),
      ...(way === 'strata' ? { strata } : {}),
    });
    return {
      head: ['subject', ...(way === 'strata' ? ['stratum'] : []), 'treatment'],
      rows: names.map((name, i) => [name, ...(way === 'strata' ? [strata[i] ?? ''] : []), given[i] ?? '']),
      told: `${counted(names.length, 'subject')} allocated at random to ${treatments.join(', ')}${way === 'blocks' ? ` in blocks of ${block}` : way === 'strata' ? ' within strata' : ''}, seed ${seed}.`,
    };
  });
}

/** Draws samples, allocates subjects and lays treatments out, from a seed that is shown: to print, as CSV, or into a study. */
export function DrawTool() {
  const { query, change } = useAddress();
  const [trouble, setTrouble] = useState('');
  const key = JSON.stringify(query);
  const found = useMade(key);
  const task = (query['task'] ?? '') in tasks ? (query['task'] as Task) : 'draw';
  const way = (query['way'] ?? '') in ways ? (query['way'] as keyof typeof ways) : 'simple';
  const text = (label: string, name: string, usual: string, width = 'w-12') => (
    <Accepted
      className={`part ${width}`}
      aria-label={label}
      value={query[name] ?? usual}
      onAccept={(typed) => change({ [name]: typed })}
    />
  );
  const whole = (label: string, name: string, usual: number, width = 'w-12') => (
    <NumberField
      label={label}
      className={`part ${width}`}
      value={numberOf(query, name) ?? usual}
      whole
      least={name === 'seed' ? 0 : 1}
      most={name === 'seed' ? 4294967295 : 100_000}
      optional={false}
      onChange={(x) => change({ [name]: asQuery(x) })}
    />
  );
  const csv = (m: Made): string => `${safeCsv([m.head, ...m.rows])}\r\n`;
  /** The list as a table of readings still to be taken. */
  const tableFor = (m: Made) => {
    const columns = m.head.map((name, j) => ({
      ...emptyColumn(
        `c${j}`,
        name,
        '',
        name === 'treatment' || name === 'stratum' || name === 'row' || name === 'column'
          ? ('group' as const)
          : name === 'subject'
            ? ('subject' as const)
            : ('label' as const),
      ),
      cells: m.rows.map((r) => r[j] ?? ''),
      ...(name === 'treatment' || name === 'drawn' ? { note: m.told } : {}),
    }));
    return draftOf(
      tableOf([...columns, emptyColumn('measure', 'reading')], {
        name: 'Allocation',
        shape: 'rows',
        subject: 'subject',
        rowCount: m.rows.length,
      }),
    );
  };
  const intoNew = (m: Made) => {
    const title = `${tasks[task]}, seed ${query['seed'] ?? '1'}`;
    send<{ id: string }>('POST', '/api/studies', { title, table: tableFor(m), origin: m.told }).then(
      ({ id }) => window.location.assign(`/studies/${id}`),
      (error: unknown) => setTrouble(inWords(error)),
    );
  };
  return (
    <div className="px-6 pb-16">
      <h1 className="prose-serif mt-4 max-w-4xl text-[23px] leading-relaxed">
        <Choose label="Task" value={task} options={tasks} onChange={(next) => change({ task: next })} />{' '}
        {task === 'draw' && (
          <>
            {whole('How many to draw', 'n', 6)} at random{' '}
            <Choose
              label="Replacement"
              value={query['replace'] === 'yes' ? 'yes' : 'no'}
              options={{ no: 'without putting back', yes: 'putting each back' }}
              onChange={(next) => change({ replace: next === 'yes' ? 'yes' : undefined })}
            />
          </>
        )}
        {task === 'allocate' && (
          <>
            subjects to {text('Treatments', 'treatments', 'Red lamp, White lamp', 'w-64')}{' '}
            <Choose label="Way" value={way} options={ways} onChange={(next) => change({ way: next })} />
            {way === 'blocks' && (
              <>
                {' '}
                of{' '}
                {whole(
                  'Subjects in a block',
                  'block',
                  listOf(query['treatments'] ?? 'Red lamp, White lamp').length * 2,
                )}
              </>
            )}
          </>
        )}
        {task === 'layout' && (
          <>
            {text('Treatments', 'treatments', 'Red lamp, White lamp', 'w-64')} over {whole('Rows', 'rows', 4)} rows and{' '}
            {whole('Columns', 'columns', 6)} columns,{' '}
            <Choose
              label="Blocking"
              value={query['free'] === 'yes' ? 'free' : 'even'}
              options={{ even: 'even in each row and column', free: 'freely' }}
              onChange={(next) => change({ free: next === 'free' ? 'yes' : undefined })}
            />
          </>
        )}
        , from the seed {whole('Seed', 'seed', 1, 'w-20')}
        <button
          type="button"
          className="plain-button ml-2 text-sm"
          onClick={() => change({ seed: String((crypto.getRandomValues(new Uint32Array(1))[0] ?? 0) % 1_000_000) })}
        >
          another seed
        </button>
      </h1>
      {task !== 'layout' && (
        <p className="prose-serif not-print text-[17px] text-muted">
          of the numbers 1 to {whole('Size of the list', 'size', 24, 'w-16')}, or of these:
          <textarea
            className="mt-1 block w-full max-w-xl border border-line bg-base-100 p-1 font-sans text-sm"
            aria-label="Subjects, a line each"
            rows={2}
            placeholder={way === 'strata' && task === 'allocate' ? 'A1: upper tank' : 'a line each'}
            defaultValue={query['list'] ?? ''}
            onBlur={(e) =>
              e.target.value.trim() !== (query['list'] ?? '').trim() && change({ list: e.target.value.trim() })
            }
          />
        </p>
      )}
      {!found.ok ? (
        <p role="alert" className="mt-3 text-error">
          {found.reason}
        </p>
      ) : (
        <>
          <p className="mt-3 max-w-[68ch]" role="status" data-testid="drawn-told">
            {found.value.told}
          </p>
          <p className="not-print mt-2 flex flex-wrap gap-x-5 text-sm">
            <button
              type="button"
              className="plain-button"
              onClick={() =>
                save(new Blob(['\ufeff', csv(found.value)], { type: 'text/csv;charset=utf-8' }), 'allocation.csv')
              }
            >
              <Download size={15} aria-hidden /> Download as CSV
            </button>
            <CopyButton
              copied={() => ({ plain: [found.value.head, ...found.value.rows].map((r) => r.join('\t')).join('\n') })}
              label="Copy the list"
            />
            <button type="button" className="plain-button" onClick={() => window.print()}>
              Print the list
            </button>
            <button type="button" className="plain-button" onClick={() => intoNew(found.value)}>
              <Table2 size={15} aria-hidden /> Start a study with it
            </button>
            <HandOver
              words="Put it into a study’s readings"
              give={async (study) => {
                const sent = { table: tableFor(found.value), origin: found.value.told };
                const { id } = await send<{ id: string }>('POST', `/api/studies/${study.id}/tables`, sent);
                return `/studies/${study.id}/readings/${id}`;
              }}
            />
          </p>
          {trouble && (
            <p role="alert" className="text-error">
              {trouble}
            </p>
          )}
          {found.value.grid ? (
            <table className="mt-3 border-collapse text-sm" data-testid="layout">
              <thead>
                <tr>
                  <td />
                  {found.value.grid[0]?.map((_, c) => (
                    <th key={c} scope="col" className="px-2 font-normal text-muted">
                      {c + 1}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {found.value.grid.map((line, r) => (
                  <tr key={r}>
                    <th scope="row" className="pr-2 font-normal text-muted">
                      {r + 1}
                    </th>
                    {line.map((t, c) => (
                      <td key={c} className="border border-line px-2 py-1.5 text-center">
                        {t}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          ) : (
            <div className="mt-3">
              <TextTableView head={found.value.head} rows={found.value.rows.slice(0, 2000)} testId="drawn" />
            </div>
          )}
        </>
      )}
    </div>
  );
}

function useMade(key: string): Outcome<Made> {
  return useMemo(() => made(JSON.parse(key) as Query), [key]);
}
