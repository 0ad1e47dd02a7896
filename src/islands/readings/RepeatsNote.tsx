import { useMemo } from 'react';
import { isThroughout, kindOf } from '../../core/question/asking';
import { repeatsUnder } from '../../core/question/counting';
import { firstQuestion } from '../../core/question/first';
import type { Question } from '../../core/question/question';
import { groupsOf } from '../../core/readings/groups';
import { hasSamples } from '../../core/readings/repeats';
import type { Table } from '../../core/readings/table';
import type { TableEdit } from '../../core/readings/table-edit';
import { counted, plural } from '../../core/words/numbers';
import { CountingWays } from '../question/CountingWays';

interface Props {
  table: Table;
  onEdit: (edits: TableEdit[]) => void;
  onPair: () => void;
  onAsk: (question: Question) => void;
}

/**
 * Met before the test, not after it: readings of one subject are no independent samples. Shows what averaging within
 * subjects does to n and to the answer, and offers pairing where subjects are in several groups.
 */
export function RepeatsNote({ table, onEdit, onPair, onAsk }: Props) {
  const raised = useMemo(() => firstQuestion(table), [table]);
  const repeats = repeatsUnder(raised, table);
  const groups = groupsOf(table);
  const [a, b] = groups;
  if (!repeats) return null;
  const ofFactors = raised !== undefined && kindOf[raised.design] === 'factors';
  const within = raised !== undefined && isThroughout(raised.design);
  const subject = table.subject || 'subject';
  const again = repeats.subjects < repeats.readings;
  if (!again && repeats.shared === 0) return null;
  return (
    <section className="note" aria-label="Independent samples">
      <h2 className="part-of-page">Independent samples</h2>
      {again && (
        <>
          <p>
            {counted(repeats.readings, 'reading')} come from {counted(repeats.distinct, subject)}.{' '}
            {table.average
              ? `Each ${subject} counts once, by the mean of its readings.`
              : hasSamples(repeats)
                ? `Readings of one ${subject} are not independent: each ${subject} counts once, its readings within it.`
                : `Readings of one ${subject} are not independent: counted one by one, they make a difference look surer than it is.`}
          </p>
          {raised && (
            <CountingWays question={raised} table={table} repeats={repeats} subject={subject} onTake={onAsk} />
          )}
          <button
            type="button"
            className="plain-button"
            onClick={() => onEdit([{ kind: 'describe-table', average: !table.average }])}
          >
            {!table.average
              ? `Average within each ${subject}`
              : hasSamples(repeats)
                ? `Keep readings within their ${subject}`
                : 'Count them one by one'}
          </button>
        </>
      )}
      {repeats.shared > 0 && a && b && (
        <p>
          {counted(repeats.shared, subject)} {repeats.shared === 1 ? 'has' : 'have'} readings in more than one group:{' '}
          {within ? (
            `${plural(subject)} are compared with themselves. Where one name stands for different ${plural(subject)}, ask it of independent groups.`
          ) : (
            <>
              {plural(subject)} can be compared with themselves.{' '}
              <button type="button" className="plain-button" onClick={onPair}>
                {groups.length > 2 || ofFactors ? `Ask it of each ${subject} throughout →` : 'Ask it in pairs →'}
              </button>
            </>
          )}
        </p>
      )}
    </section>
  );
}
