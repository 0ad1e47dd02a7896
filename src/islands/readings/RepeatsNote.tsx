import { useMemo } from 'react';
import { isWithin } from '../../core/question/asking';
import { firstQuestion } from '../../core/question/first';
import { defaultQuestion } from '../../core/question/question';
import { groupsOf, repeatsOf } from '../../core/readings/groups';
import type { Table } from '../../core/readings/table';
import type { TableEdit } from '../../core/readings/table-edit';
import { counted, plural } from '../../core/words/numbers';
import { ShortAnswer } from '../question/ShortAnswer';

interface Props {
  table: Table;
  onEdit: (edits: TableEdit[]) => void;
  onPair: () => void;
}

/**
 * Met before the test, not after it: readings of one subject are no independent samples. Shows what averaging within
 * subjects does to n and to the answer, and offers pairing where subjects are in several groups.
 */
export function RepeatsNote({ table, onEdit, onPair }: Props) {
  const repeats = repeatsOf(table);
  const groups = groupsOf(table);
  const [a, b] = groups;
  // The same question for as long as the groups are the same, so that it is answered once.
  const [first, second] = [a?.id, b?.id];
  const asked = useMemo(() => (first && second ? defaultQuestion(first, second) : undefined), [first, second]);
  if (!repeats) return null;
  const raised = firstQuestion(table);
  const within = raised !== undefined && isWithin(raised.design);
  const subject = table.subject || 'subject';
  const again = repeats.subjects < repeats.readings;
  if (!again && repeats.shared === 0) return null;
  return (
    <section className="note" aria-label="Independent samples">
      <h2 className="part-of-page">Independent samples</h2>
      {again && (
        <>
          <p className={table.average ? '' : 'text-warning'}>
            {counted(repeats.readings, 'reading')} come from {counted(repeats.subjects, subject)}.{' '}
            {table.average
              ? `Each ${subject} counts once, by the mean of its readings.`
              : `Readings of one ${subject} are not independent: counted one by one, they make a difference look surer than it is.`}
          </p>
          {asked && a && b && (
            <dl className="mt-1">
              <dt className="text-muted">One by one, {`${a.name} minus ${b.name}`}</dt>
              <dd data-testid="one-by-one">
                <ShortAnswer question={asked} table={table} average={false} />
              </dd>
              <dt className="text-muted">Averaged within each {subject}</dt>
              <dd data-testid="averaged">
                <ShortAnswer question={asked} table={table} average />
              </dd>
            </dl>
          )}
          <button
            type="button"
            className="plain-button"
            onClick={() => onEdit([{ kind: 'describe-table', average: !table.average }])}
          >
            {table.average ? 'Count them one by one' : `Average within each ${subject}`}
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
                {groups.length > 2 ? `Ask it of each ${subject} throughout →` : 'Ask it in pairs →'}
              </button>
            </>
          )}
        </p>
      )}
    </section>
  );
}
