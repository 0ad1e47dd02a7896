import { repeatsUnder } from '../../core/question/counting';
import { firstQuestion } from '../../core/question/first';
import { columnsAreGroups } from '../../core/readings/groups';
import { hasSamples } from '../../core/readings/repeats';
import { reshapeTargets } from '../../core/readings/reshape';
import { type Shape, type Table, columnsOf, shapes } from '../../core/readings/table';
import type { TableEdit } from '../../core/readings/table-edit';
import { layoutClauses, layoutNames } from '../../core/readings/layouts';
import { some } from '../../core/understanding/doubts/doubt';
import { heldWords, tallyOf } from '../../core/understanding/understood';
import { percent, plural } from '../../core/words/numbers';
import { Accepted } from '../kit/Accepted';
import { tableNames } from '../../core/words/table-names';
import { Choose, asTheyRead } from '../kit/Parts';

const named = (table: Table, role: 'measure' | 'group'): string =>
  some(
    columnsOf(table, role).map((c) => c.name || `unnamed ${role}`),
    5,
  );

/** How many readings the table holds, how many are set aside, how many were not read. */
function Tally({ table }: { table: Table }) {
  const { aside, unread } = tallyOf(table);
  return (
    <>
      {heldWords(table)}
      {aside > 0 && `, ${aside}\u00a0set\u00a0aside`}
      {unread > 0 && (
        <>
          , <span className="text-warning">{unread} not read as a number</span>
        </>
      )}
      .
    </>
  );
}

interface Props {
  table: Table;
  onEdit: (edits: TableEdit[]) => void;
  onTurn: (shape: Shape) => void;
  /** Reads the table in another layout; whoever does it has the newest table in hand. */
  onLayout: (shape: Shape) => void;
}

/** What Divide understood of the table, in one sentence with parts that can be changed. */
export function Sentence({ table, onEdit, onTurn, onLayout }: Props) {
  const repeats = repeatsUnder(firstQuestion(table), table);
  const subjects = plural(table.subject || 'subject');
  const byColumn = columnsAreGroups(table);
  const summary = table.shape === 'summary';
  const counts = table.shape === 'counts' || table.shape === 'categories';
  return (
    <p className="prose-serif text-[17px] leading-7">
      Here{' '}
      <Choose
        label="How the table is laid out"
        value={table.shape}
        options={asTheyRead(shapes, (shape) => layoutClauses[shape])}
        onChange={onLayout}
      />
      {byColumn && (
        <>
          {' '}
          of{' '}
          <Accepted
            className="part"
            aria-label="What was measured"
            placeholder="what was measured"
            value={table.measure}
            onAccept={(measure) => onEdit([{ kind: 'describe-table', measure }])}
          />{' '}
          readings
        </>
      )}
      {table.shape === 'rows' && (
        <>
          {' '}
          of <b className="font-semibold">{named(table, 'measure') || 'no measure yet'}</b>
          {named(table, 'group') && (
            <>
              {' '}
              by <b className="font-semibold">{named(table, 'group')}</b>
            </>
          )}
        </>
      )}
      {summary && columnsOf(table, 'spread').length > 0 && (
        <>
          ; the spread is{' '}
          <Choose
            label="What the spread is"
            value={table.spread}
            options={tableNames.spread}
            onChange={(spread) => onEdit([{ kind: 'describe-table', spread }])}
          />
          {table.spread === 'interval' && (
            <>
              {' '}
              at{' '}
              <Choose
                label="Level of the interval"
                value={table.level}
                options={asTheyRead([...new Set([0.8, 0.9, 0.95, 0.99, table.level])].sort(), percent)}
                onChange={(level) => onEdit([{ kind: 'describe-table', level }])}
              />
            </>
          )}
        </>
      )}
      {!summary && (
        <>
          , {counts ? 'each counting one' : 'each from one'}{' '}
          <Accepted
            className="part"
            aria-label="What one independent sample is"
            placeholder="animal, plant, dish …"
            value={table.subject}
            onAccept={(subject) => onEdit([{ kind: 'describe-table', subject }])}
          />
        </>
      )}
      {repeats && repeats.subjects < repeats.readings && (
        <>
          ; where {subjects} come back, their readings{' '}
          <Choose
            label="Readings of the same subject"
            value={table.average ? 'average' : 'each'}
            options={{
              each: hasSamples(repeats) ? `stand within their ${table.subject || 'subject'}` : 'count one by one',
              average: 'are averaged first',
            }}
            onChange={(way) => onEdit([{ kind: 'describe-table', average: way === 'average' }])}
          />
        </>
      )}
      : <Tally table={table} />
      {reshapeTargets(table).map((target) => (
        <button
          key={target}
          type="button"
          className="plain-button ml-2 font-sans text-sm"
          onClick={() => onTurn(target)}
        >
          Turn into {layoutNames[target]}
        </button>
      ))}
    </p>
  );
}
