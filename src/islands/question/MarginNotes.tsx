import { factsOf } from '../../core/analyses/kinds';
import type { Answer } from '../../core/answer/answer';
import { leastOf, mostOf } from '../../core/numeric/extremes';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { methodElse, methodName, methodReason } from '../../core/telling/method';
import { anchorOf } from '../../core/telling/method-guide';
import { counted, significant } from '../../core/words/numbers';
import DirectionNote from './DirectionNote';
import { SectionIndex } from './SectionIndex';
import SamplesNote from './SamplesNote';
import { benchFor } from './bench-for';
import { Hint } from '../kit/Hint';

interface Props {
  /** The parts of the page that are there. */
  parts: readonly string[];
  question: Question;
  shown: Answer | undefined;
  table: Table;
  /** The page of the question, and of its readings. */
  href: string;
  readingsHref: string;
  onChange: (question: Question) => void;
}

/** The method and its reason, and what the readings themselves have to say beforehand. */
export function MarginNotes({ parts, question, shown, table, href, readingsHref, onChange }: Props) {
  const unread = shown?.groups.flatMap((g) => g.readings.unread.map((cell) => ({ ...cell, group: g.name }))) ?? [];
  const aside = shown?.groups.flatMap((g) => g.readings.aside.map((cell) => ({ ...cell, group: g.name }))) ?? [];
  // Of ratios it is the logarithms whose spreads are compared.
  const spreads = ((shown?.logs ?? shown)?.groups ?? []).flatMap((g) =>
    g.summary && !g.below ? [Math.sqrt(g.summary.variance)] : [],
  );
  const [least, most] = [leastOf(spreads), mostOf(spreads)];
  const settled = shown?.question ?? question;
  // Of two factors it is the cells whose spreads matter: the check tells of them.
  const compared = factsOf(question).asWithin !== undefined && shown?.layout === undefined;
  return (
    <aside aria-label="Margin notes" className="space-y-4 py-4 pr-6 max-[1100px]:pl-6">
      <SectionIndex parts={parts} />
      <section className="note">
        <h2 className="part-of-page">Method</h2>
        <p className="font-semibold">
          <Hint says="What this method is, and where it comes from">
            <a className="hover:text-primary hover:underline" href={`/help#${anchorOf(methodName(settled))}`}>
              {methodName(settled)}
            </a>
          </Hint>
        </p>
        <p className="text-muted">{methodReason(settled, shown?.spreadBy)}</p>
        {compared && spreads.length > 1 && least > 0 && (
          <p className="mt-1 text-muted">
            Here the {spreads.length > 2 ? 'largest' : 'larger'} SD{shown?.logs && ' of the logarithms'} is{' '}
            {significant(most / least, 3)} times the {spreads.length > 2 ? 'smallest' : 'smaller'}.
          </p>
        )}
        <p className="mt-1 text-muted">Also reasonable: {methodElse(settled)}</p>
      </section>
      {shown && (shown.repeats ?? (shown.comparison.ok && shown.comparison.value.pairing)) && (
        <SamplesNote shown={shown} table={table} onChange={onChange} />
      )}
      {question.direction !== 'either' && <DirectionNote question={question} shown={shown} onChange={onChange} />}
      {(aside.length > 0 || question.withAside) && (
        <section className="note" aria-label="Set aside">
          <h2 className="part-of-page">Set aside</h2>
          <ul>
            {aside.slice(0, 8).map((cell) => (
              <li key={`${cell.group}-${cell.row}`}>
                {cell.group}, row {cell.row + 1}: <s className="text-muted">{cell.text}</s> {cell.reason}
              </li>
            ))}
          </ul>
          {aside.length > 8 && <p>and {aside.length - 8} more</p>}
          {question.withAside && <p className="text-warning">Counted here all the same, to see what they do.</p>}
          <button
            type="button"
            className="plain-button"
            onClick={() => {
              const { withAside: _, ...rest } = question;
              onChange(question.withAside ? rest : { ...question, withAside: true });
            }}
          >
            {question.withAside ? 'Leave them out again' : 'Count them, to see what they do'}
          </button>
        </section>
      )}
      {shown?.ungrouped && (
        <section className="note text-warning">
          <h2 className="part-of-page">In no group</h2>
          <p>
            {counted(shown.ungrouped.count, 'reading')} without a {shown.ungrouped.of}{' '}
            {shown.ungrouped.count === 1 ? 'is' : 'are'} part of no group. Methods say so.
          </p>
        </section>
      )}
      {unread.length > 0 && (
        <section className="note text-warning">
          <h2 className="part-of-page">Left out</h2>
          <p>
            {counted(unread.length, 'cell')} could not be read as a number: “{unread[0]?.text.slice(0, 30)}” in{' '}
            {unread[0]?.group}, row {(unread[0]?.row ?? 0) + 1}
            {unread.length > 1 ? ' …' : '.'}
          </p>
        </section>
      )}
      <p className="note">
        <a className="plain-button" href={readingsHref}>
          Open readings
        </a>{' '}
        <Hint says="How many to take, with the spread seen here">
          <a className="plain-button ml-3" href={benchFor(shown, href).planner}>
            Plan the next
          </a>
        </Hint>{' '}
        <Hint says="How another program asks the same">
          <a className="plain-button ml-3" href="/api/openapi.json">
            API
          </a>
        </Hint>
      </p>
    </aside>
  );
}
