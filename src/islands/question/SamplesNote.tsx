import { factsOf } from '../../core/analyses/kinds';
import type { Answer } from '../../core/answer/answer';
import { withinOf } from '../../core/question/asking';
import { countingOf } from '../../core/question/counting';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { counted } from '../../core/words/numbers';
import { CountingWays } from './CountingWays';

interface Props {
  shown: Answer;
  table: Table;
  onChange: (question: Question) => void;
}

/** What one independent sample is here: repeated readings averaged or not, pairs made or missed, partners lost. */
export default function SamplesNote({ shown, table, onChange }: Props) {
  const { question, repeats, comparison } = shown;
  const counting = countingOf(question, table);
  const subject = shown.subject || 'subject';
  const pairing = comparison.ok ? comparison.value.pairing : undefined;
  const again = repeats !== undefined && repeats.subjects < repeats.readings;
  const { asWithin, within } = factsOf(question);
  const unpaired = asWithin !== undefined && repeats !== undefined && repeats.shared > 0;
  const independent = within === undefined && !shown.layout;
  if (!pairing && !(again && independent) && !unpaired) return null;
  return (
    <section className="note" aria-label="Independent samples">
      <h2 className="part-of-page">Independent samples</h2>
      {pairing && (
        <p className="text-muted">
          {counted(pairing.pairs.length, 'pair')}, matched{' '}
          {pairing.bySubject ? `by ${subject}, whatever the order of the rows` : 'row by row'}
          {pairing.pairs.some((p) => p.a.rows ?? p.b.rows) &&
            `; several readings of one ${subject} stand in by their mean`}
          .
          {pairing.alone.length > 0 &&
            ` Without a partner, and left out: ${pairing.alone.slice(0, 6).join(', ')}${pairing.alone.length > 6 ? ` and ${pairing.alone.length - 6} more` : ''}.`}
        </p>
      )}
      {again && independent && (
        <>
          <p className={counting === 'each' ? 'text-warning' : 'text-muted'}>
            {counted(repeats.readings, 'reading')} come from {counted(repeats.distinct, subject)}.{' '}
            {counting === 'nested'
              ? `Each ${subject} counts once, its readings within it.`
              : counting === 'average'
                ? `Each ${subject} counts once, by the mean of its readings.`
                : `Counted one by one, they make the difference look surer than it is.`}
          </p>
          <CountingWays question={question} table={table} repeats={repeats} subject={subject} onTake={onChange} />
        </>
      )}
      {unpaired && (
        <p>
          {counted(repeats.shared, subject)} {repeats.shared === 1 ? 'has' : 'have'} readings in more than one group.{' '}
          <button
            type="button"
            className="plain-button"
            onClick={() => onChange({ ...question, design: withinOf(question.design) })}
          >
            {asWithin}
          </button>
        </p>
      )}
    </section>
  );
}
