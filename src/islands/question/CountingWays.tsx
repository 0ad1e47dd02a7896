import { useMemo } from 'react';
import { type Counting, countingOf, countingWays } from '../../core/question/counting';
import type { Question } from '../../core/question/question';
import type { Repeats } from '../../core/readings/repeats';
import type { Table } from '../../core/readings/table';
import { ShortAnswer } from './ShortAnswer';

const named: Record<Counting, (subject: string) => string> = {
  nested: (subject) => `Within each ${subject}`,
  average: (subject) => `By the mean of each ${subject}`,
  each: () => 'As if every reading were independent',
};

/** What the answer is by each way that several readings of one sample can count, the one taken among them. */
export function CountingWays({
  question,
  table,
  repeats,
  subject,
  onTake,
}: {
  question: Question;
  table: Table;
  repeats: Repeats;
  subject: string;
  onTake: (question: Question) => void;
}) {
  const ways = useMemo(() => countingWays(question, table, repeats), [question, table, repeats]);
  const now = countingOf(question, table);
  return (
    <dl className="mt-1">
      {ways.map(({ counting, asked }) => (
        <div key={counting} className={counting === now ? '' : 'text-muted'}>
          <dt>
            {counting === now ? (
              <span className="font-semibold">{named[counting](subject)}</span>
            ) : (
              <button type="button" className="plain-button text-left" onClick={() => onTake(asked)}>
                {named[counting](subject)}
              </button>
            )}
          </dt>
          <dd data-testid={`counting-${counting}`}>
            <ShortAnswer question={asked} table={table} />
          </dd>
        </div>
      ))}
    </dl>
  );
}
