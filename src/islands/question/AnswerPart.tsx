import type { Answer } from '../../core/answer/answer';
import type { WayOut } from '../../core/answering/ways-out';
import type { Question } from '../../core/question/question';
import { type Headline } from '../../core/telling/headline';
import { equivalenceClause } from '../../core/words/equivalence';
import { resultTables } from '../../core/words/tables/tables';
import { ResultTableView } from '../shared/ResultTableView';
import { RichText } from '../shared/RichText';
import { Remarks, Sizes } from './Figures';

/** The result in one place, which stays in sight while the page moves. */
export function HeadlineBand({
  headline,
  reason,
  waysOut = [],
  onTake,
}: {
  headline: Headline | undefined;
  reason: string;
  /** What could be asked instead, where there is no answer. */
  waysOut?: readonly WayOut[];
  onTake?: (question: Question) => void;
}) {
  return (
    <section
      aria-label="Headline"
      aria-live="polite"
      className="sticky top-0 bottom-0 z-20 border-y border-line bg-base-100 py-2.5"
    >
      {headline ? (
        <>
          {headline.estimate && (
            <p className="flex flex-wrap items-baseline gap-x-4 leading-8">
              <span className="prose-serif text-[27px]" data-testid="estimate">
                {headline.estimate}
              </span>
              <span className="prose-serif text-[19px]" data-testid="interval">
                {headline.interval}
              </span>
              <span className="text-muted">{headline.order}</span>
            </p>
          )}
          <p className="prose-serif text-[15.5px]">
            <RichText text={headline.sentence} />{' '}
            <span className="text-muted" data-testid="test">
              <RichText text={headline.test} />
            </span>
          </p>
        </>
      ) : (
        <p className="prose-serif text-[17px]" role="status" data-testid="no-answer">
          {reason}
          {waysOut.map(({ words, asked }) => (
            <button
              key={words}
              type="button"
              className="plain-button ml-4 font-sans text-sm"
              onClick={() => onTake?.(asked)}
            >
              {words}
            </button>
          ))}
        </p>
      )}
    </section>
  );
}

/** The whole answer: what was found first, then its sizes, then the groups or cells it was found from. */
export function AnswerTables({ answer }: { answer: Answer }) {
  const tables = resultTables(answer).filter(({ kind }) => kind !== 'comparisons');
  const isOfGroups = ({ kind }: (typeof tables)[number]): boolean => kind === 'groups' || kind === 'cells';
  return (
    <>
      {answer.comparison.ok && (
        <div className="space-y-3">
          {tables
            .filter((t) => !isOfGroups(t))
            .map((table) => (
              <ResultTableView key={table.kind} table={table} />
            ))}
          <Sizes answer={answer} comparison={answer.comparison.value} />
          <Equivalence answer={answer} />
          <Remarks comparison={answer.comparison.value} />
        </div>
      )}
      {tables.filter(isOfGroups).map((table) => (
        <ResultTableView key={table.kind} table={table} />
      ))}
    </>
  );
}

/** Whether the difference lies within bounds that do not matter, or why that cannot be said. */
function Equivalence({ answer }: { answer: Answer }) {
  if (!answer.comparison.ok) return null;
  const { equivalence } = answer.comparison.value;
  const clause = equivalenceClause(answer, answer.comparison.value);
  return (
    <>
      {clause.length > 0 && (
        <p className="text-[14.5px]" data-testid="equivalence">
          <RichText text={clause} />
        </p>
      )}
      {equivalence && !equivalence.ok && <p className="text-[14.5px] text-muted">{equivalence.reason}</p>}
    </>
  );
}
