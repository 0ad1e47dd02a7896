import { Download, Table2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { htmlTable } from '../../formats/html-document';
import { safeCsv } from '../../formats/safe-csv';
import { type Outcome, attempt } from '../../core/numeric/domain-error';
import {
  type Assigning,
  type AllocationWay,
  type Assignment,
  allocationWays,
  asGrid,
  asList,
  assign,
  listOf,
} from '../../core/planning/assignment';
import { emptyColumn, tableOf } from '../../core/readings/table';
import { draftOf } from '../../core/readings/table-edit';
import { inWords, send } from '../shared/api';
import { Accepted } from '../kit/Accepted';
import { GroupMarker } from '../shared/GroupMarker';
import { NumberField } from '../kit/NumberField';
import { CopyButton } from '../shared/CopyButton';
import { Choose } from '../kit/Parts';
import { save } from '../shared/save';
import { TextTableView } from '../shared/TextTableView';
import { type Query, asQuery, numberOf, useAddress } from './address';
import { BackTo } from './BackTo';
import { HandOver } from './HandOver';

const tasks = { draw: 'Draw', allocate: 'Allocate', layout: 'Lay out' } as const;
type Task = keyof typeof tasks;
const taskOf = (query: Query): Task => ((query['task'] ?? '') in tasks ? (query['task'] as Task) : 'draw');
const wayOf = (query: Query): AllocationWay =>
  (query['way'] ?? '') in allocationWays ? (query['way'] as AllocationWay) : 'simple';

/** Most of a list that is shown; files and copies hold all of it. */
const shownOfList = 2000;

/** What stands in the field of treatments before anything is typed; a field that was emptied stays empty. */
const exampleTreatments = 'Red lamp, White lamp';

/** What the address asks to be left to chance; the same address always gives the same. */
function asked(query: Query): Assigning {
  const task = taskOf(query);
  const whole = (key: string, usual: number): number => Math.round(numberOf(query, key) ?? usual);
  const seed = whole('seed', 1);
  const treatments = listOf(query['treatments'] ?? exampleTreatments);
  if (task === 'layout')
    return {
      task,
      treatments,
      rows: whole('rows', 4),
      columns: whole('columns', 6),
      even: query['free'] !== 'yes',
      seed,
    };
  const list = listOf(query['list'] ?? '');
  const subjects = list.length > 0 ? list : Array.from({ length: whole('size', 24) }, (_, i) => String(i + 1));
  if (task === 'draw') return { task, subjects, n: whole('n', 6), replace: query['replace'] === 'yes', seed };
  return { task, subjects, treatments, way: wayOf(query), block: whole('block', treatments.length * 2), seed };
}

/** Draws samples, allocates subjects and lays treatments out, from a seed that is shown: to print, as CSV, or into a study. */
export function DrawTool() {
  const { query, change } = useAddress();
  const [trouble, setTrouble] = useState('');
  const key = JSON.stringify(query);
  const found = useMade(key);
  const task = taskOf(query);
  const way = wayOf(query);
  const treatments = (
    <Accepted
      className="part"
      aria-label="Treatments"
      placeholder={exampleTreatments}
      value={(query['treatments'] ?? exampleTreatments).trim()}
      onAccept={(typed) => change({ treatments: typed === '' ? ' ' : typed })}
    />
  );
  const whole = (label: string, name: string, usual: number) => (
    <NumberField
      label={label}
      value={numberOf(query, name) ?? usual}
      whole
      least={name === 'seed' ? 0 : 1}
      most={name === 'seed' ? 4294967295 : 100_000}
      optional={false}
      onChange={(x) => change({ [name]: asQuery(x) })}
    />
  );
  const gridShown = task === 'layout' && query['as'] !== 'list';
  /** What is copied and kept: a layout as it stands, all else a line each. */
  const cells = (m: Assignment): string[][] => (gridShown ? asGrid(m) : undefined) ?? asList(m);
  /** The list as a table of readings still to be taken. */
  const tableFor = (m: Assignment) => {
    const columns = m.head.map((name, j) => ({
      ...emptyColumn(
        `c${j}`,
        name,
        '',
        ['treatment', 'stratum', 'block', 'row', 'column'].includes(name)
          ? ('group' as const)
          : name === 'subject' || name === 'place'
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
        subject: task === 'layout' ? 'place' : 'subject',
        rowCount: m.rows.length,
      }),
    );
  };
  const intoNew = (m: Assignment) => {
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
            subjects to {treatments}{' '}
            <Choose label="Way" value={way} options={allocationWays} onChange={(next) => change({ way: next })} />
            {way === 'blocks' && (
              <>
                {' '}
                of {whole('Subjects in a block', 'block', listOf(query['treatments'] ?? exampleTreatments).length * 2)}
              </>
            )}
          </>
        )}
        {task === 'layout' && (
          <>
            {treatments} over {whole('Rows', 'rows', 4)} rows and {whole('Columns', 'columns', 6)} columns,{' '}
            <Choose
              label="Blocking"
              value={query['free'] === 'yes' ? 'free' : 'even'}
              options={{ even: 'even in each row and column', free: 'freely' }}
              onChange={(next) => change({ free: next === 'free' ? 'yes' : undefined })}
            />
          </>
        )}
        , from the seed {whole('Seed', 'seed', 1)}
        <button
          type="button"
          className="plain-button ml-2 text-sm"
          onClick={() => change({ seed: String((crypto.getRandomValues(new Uint32Array(1))[0] ?? 0) % 1_000_000) })}
        >
          another seed
        </button>
      </h1>
      <BackTo query={query} before="For" />
      {task !== 'layout' && (
        <p className="prose-serif not-print text-[17px] text-muted">
          of the numbers 1 to {whole('Size of the list', 'size', 24)}, or of these:
          <textarea
            className="mt-1 block max-h-48 w-full max-w-xl border border-line bg-base-100 p-1 font-sans text-sm text-base-content [field-sizing:content]"
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
                save(
                  new Blob(['\ufeff', safeCsv(cells(found.value)), '\r\n'], { type: 'text/csv;charset=utf-8' }),
                  `${fileNames[task]}-seed-${found.value.seed}.csv`,
                )
              }
            >
              <Download size={15} aria-hidden /> Download as CSV
            </button>
            <CopyButton
              copied={() => {
                const [head = [], ...rows] = cells(found.value);
                const cellsOf = (row: string[]) => row.map((cell) => [cell]);
                return {
                  plain: [head, ...rows].map((row) => row.join('\t')).join('\n'),
                  html: htmlTable({ title: found.value.told, head: cellsOf(head), rows: rows.map(cellsOf) }),
                };
              }}
              label={gridShown ? 'Copy the layout' : 'Copy the list'}
            />
            <button type="button" className="plain-button" onClick={() => window.print()}>
              {gridShown ? 'Print the layout' : 'Print the list'}
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
          {task === 'layout' && (
            <p className="not-print mt-2 text-sm text-muted">
              Shown{' '}
              <Choose
                label="Shown as"
                value={gridShown ? 'grid' : 'list'}
                options={{ grid: 'as it stands', list: 'a line each' }}
                onChange={(next) => change({ as: next === 'list' ? 'list' : undefined })}
              />
              : so it is copied, downloaded and printed.
            </p>
          )}
          <Made made={found.value} grid={gridShown} />
        </>
      )}
    </div>
  );
}

const fileNames: Readonly<Record<Task, string>> = { draw: 'sample', allocate: 'allocation', layout: 'layout' };

/** What chance gave: a layout as it stands before one, all else a line each. */
function Made({ made, grid }: { made: Assignment; grid: boolean }) {
  const [head = [], ...lines] = (grid ? asGrid(made) : undefined) ?? [made.head, ...made.rows];
  if (!grid)
    return (
      <div className="mt-3">
        <TextTableView head={head} rows={lines.slice(0, shownOfList)} testId="drawn" />
        {lines.length > shownOfList && (
          <p className="mt-1 text-sm text-muted">
            The first {shownOfList} of {lines.length} are shown; the file and the copy hold all.
          </p>
        )}
      </div>
    );
  const order = [...new Set(made.grid?.flat())].sort();
  return (
    <div className="mt-3 overflow-x-auto" tabIndex={0} role="group" aria-label="The layout">
      <table className="border-collapse text-sm" data-testid="layout">
        <thead>
          <tr>
            {head.map((words, c) =>
              c === 0 ? (
                <td key={c} className="pr-2 text-xs text-muted">
                  {words}
                </td>
              ) : (
                <th key={c} scope="col" className="px-2 font-normal text-muted">
                  {words}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {lines.map(([name, ...line]) => (
            <tr key={name}>
              <th scope="row" className="pr-2 font-normal text-muted">
                {name}
              </th>
              {line.map((treatment, c) => (
                <td key={c} className="border border-line px-2 py-1.5 text-center">
                  <span className="mr-1.5 inline-block align-middle">
                    <GroupMarker position={order.indexOf(treatment)} />
                  </span>
                  {treatment}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function useMade(key: string): Outcome<Assignment> {
  return useMemo(() => attempt(() => assign(asked(JSON.parse(key) as Query))), [key]);
}
