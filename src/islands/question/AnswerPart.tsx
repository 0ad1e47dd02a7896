import type { Answer } from '../../core/answer/answer';
import type { Comparison, Effect } from '../../core/answer/comparison';
import { mostOf } from '../../core/numeric/extremes';
import { meanOf } from '../../core/answer/group-part';
import { choicesOf } from '../../core/question/choices';
import { between, degreesOfFreedom, fixed, meanDecimals, percent, significant } from '../../core/words/numbers';
import { type Headline } from '../../core/telling/headline';
import { equivalenceClause } from '../../core/words/equivalence';
import { FullP, Remarks, SampledP, Sizes, TestLines, dash, tableDecimals, statistic } from './Figures';
import { GroupMarker } from '../shared/GroupMarker';
import { RichText } from '../shared/RichText';
import SubjectTables from './SubjectTables';

/** The result in one place, which stays in sight while the page moves. */
export function HeadlineBand({ headline, reason }: { headline: Headline | undefined; reason: string }) {
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
        </p>
      )}
    </section>
  );
}

/** Each group's figures, and the letters of those that do not differ. */
function GroupTable({ answer }: { answer: Answer }) {
  const level = percent(answer.question.level);
  const follow = answer.comparison.ok ? answer.comparison.value.follow : undefined;
  const letters = follow?.ok ? follow.value[0]?.letters : undefined;
  const ranks = choicesOf(answer.question).method === 'ranks' && !answer.reported;
  return (
    <table className="figures-table text-[14.5px]">
      <caption className="sr-only">Figures of each group</caption>
      <thead>
        <tr>
          <th scope="col">Group</th>
          <th scope="col">
            <i>n</i>
          </th>
          {!answer.reported && <th scope="col">set aside</th>}
          <th scope="col">mean{answer.unit && ` (${answer.unit})`}</th>
          <th scope="col">{level} CI of the mean</th>
          <th scope="col" title="sample standard deviation, divisor n − 1">
            SD
          </th>
          <th scope="col" title="standard error of the mean">
            SEM
          </th>
          {!answer.reported && <th scope="col">median</th>}
          {ranks && <th scope="col">quartiles</th>}
          {letters && (
            <th scope="col" title="groups that share a letter do not differ significantly">
              letters
            </th>
          )}
        </tr>
      </thead>
      <tbody>
        {answer.groups.map((group) => {
          const d = group.description;
          const s = group.summary;
          const mean = meanOf(group);
          const decimals = meanDecimals(group);
          return (
            <tr key={group.id}>
              <th scope="row">
                <span className="inline-flex items-center gap-1.5">
                  <GroupMarker position={group.colour} />
                  {group.name}
                </span>
              </th>
              <td>{group.n}</td>
              {!answer.reported && <td>{group.readings.aside.length}</td>}
              <td>{mean === undefined ? dash : fixed(mean, decimals)}</td>
              <td>{group.interval ? between(group.interval, decimals) : dash}</td>
              <td>{s ? fixed(Math.sqrt(s.variance), decimals) : dash}</td>
              <td>{s ? fixed(Math.sqrt(s.variance / s.n), decimals) : dash}</td>
              {!answer.reported && <td>{d ? fixed(d.median, decimals) : dash}</td>}
              {ranks && <td>{d ? between({ low: d.q1, high: d.q3 }, decimals) : dash}</td>}
              {letters && <td>{letters.find((l) => l.id === group.id)?.letters}</td>}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** The one difference asked about, with its test. */
function DifferenceTable({ answer, comparison, effect }: { answer: Answer; comparison: Comparison; effect: Effect }) {
  const { question, unit, groups } = answer;
  const decimals = tableDecimals(effect);
  const [test] = comparison.tests;
  const first = groups[0]?.name ?? '';
  const way = { either: 'two-sided', greater: `${first} greater`, less: `${first} less` }[question.direction];
  const ranks = choicesOf(question).method === 'ranks';
  const { bounds } = comparison;
  const bound =
    bounds && question.direction === 'greater'
      ? `at least ${fixed(bounds.low, decimals)}`
      : bounds && question.direction === 'less'
        ? `at most ${fixed(bounds.high, decimals)}`
        : '';
  return (
    <>
      <table className="figures-table text-[14.5px]">
        <caption className="sr-only">The difference and its test</caption>
        <thead>
          <tr>
            <th scope="col" className="min-w-40">
              {ranks ? 'shift' : 'means'}
            </th>
            <th scope="col">difference{unit && ` (${unit})`}</th>
            {effect.se !== undefined && <th scope="col">standard error</th>}
            <th scope="col">{percent(question.level)} CI</th>
            {test?.symbol && (
              <th scope="col">
                <i>{test.symbol}</i>
              </th>
            )}
            {test && test.df.length > 0 && <th scope="col">df</th>}
            <th scope="col">
              <i>p</i>, {way}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr data-testid="test-row" className="align-top">
            <th scope="row">{effect.name}</th>
            <td>{fixed(effect.estimate, decimals)}</td>
            {effect.se !== undefined && <td>{fixed(effect.se, decimals)}</td>}
            <td>{effect.interval ? between(effect.interval, decimals) : dash}</td>
            {test?.symbol && <td>{test.value === undefined ? dash : statistic(test.value)}</td>}
            {test && test.df.length > 0 && <td>{test.df.map(degreesOfFreedom).join(', ')}</td>}
            <td>
              <FullP p={comparison.p} />
              <SampledP test={test} />
            </td>
          </tr>
        </tbody>
      </table>
      {bound && (
        <p className="text-sm text-muted">
          The interval is two-sided. The one-sided statement at {percent(question.level)}: the difference is {bound}
          {unit && ` ${unit}`}.
        </p>
      )}
    </>
  );
}

/** The source table of an analysis of variance, its total included. */
function SourceTable({ comparison }: { comparison: Comparison }) {
  const { table = [], pooledSd } = comparison;
  const corrected = table.some((l) => l.corrected !== undefined && l.corrected !== l.p);
  const eta = table.some((l) => l.partialEta);
  const ss = (x: number): string => significant(x, 5);
  return (
    <>
      <table className="figures-table text-[14.5px]" data-testid="source-table">
        <caption className="sr-only">Source table</caption>
        <thead>
          <tr>
            <th scope="col">source</th>
            <th scope="col">sum of squares</th>
            <th scope="col">df</th>
            <th scope="col">mean square</th>
            <th scope="col">
              <i>F</i>
            </th>
            <th scope="col">
              <i>p</i>
            </th>
            {corrected && (
              <th scope="col">
                <i>p</i>, corrected
              </th>
            )}
            {eta && <th scope="col">partial η² (CI)</th>}
          </tr>
        </thead>
        <tbody>
          {table.map((line) => (
            <tr key={line.source} className={line.kind === 'total' ? 'border-t border-line' : ''}>
              <th scope="row">{line.source}</th>
              <td>{ss(line.ss)}</td>
              <td>{degreesOfFreedom(line.df)}</td>
              <td>{line.ms === undefined ? '' : ss(line.ms)}</td>
              <td>{line.f === undefined ? '' : statistic(line.f)}</td>
              <td>{line.p === undefined ? '' : <FullP p={line.p} />}</td>
              {corrected && <td>{line.corrected === undefined ? '' : <FullP p={line.corrected} />}</td>}
              {eta && (
                <td>
                  {line.partialEta &&
                    `${fixed(line.partialEta.value, 2)}${line.partialEta.interval.ok ? ` (${between(line.partialEta.interval.value, 2)})` : ''}`}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      {pooledSd !== undefined && (
        <p className="text-[14.5px]">
          Pooled SD {significant(pooledSd, 4)} <span className="text-muted">– the spread the groups share</span>
        </p>
      )}
    </>
  );
}

/** Cell, row and column means of two factors in one table. */
function CellTable({ answer, comparison }: { answer: Answer; comparison: Comparison }) {
  const { cells } = comparison;
  if (!cells) return null;
  const [rows, columns] = cells.factors;
  const decimals = mostOf([0, ...answer.groups.map((g) => g.decimals)]) + 1;
  const at = (a: string, b: string) => cells.cells.find((c) => c.a === a && c.b === b);
  const margin = (of: 0 | 1, id: string): string => {
    const m = cells.margins[of].find((c) => (of === 0 ? c.a : c.b) === id);
    return m ? `${fixed(m.mean, decimals)}${m.interval ? ` (${between(m.interval, decimals)})` : ''}` : '–';
  };
  return (
    <table className="figures-table text-[14.5px]" data-testid="cell-table">
      <caption className="sr-only">Cell means, with the means of rows and columns</caption>
      <thead>
        <tr>
          <th scope="col">
            {rows.name} \ {columns.name}
          </th>
          {columns.levels.map((c) => (
            <th key={c.id} scope="col">
              {c.name}
            </th>
          ))}
          <th scope="col">mean of the cells ({percent(answer.question.level)} CI)</th>
        </tr>
      </thead>
      <tbody>
        {rows.levels.map((r) => (
          <tr key={r.id}>
            <th scope="row">{r.name}</th>
            {columns.levels.map((c) => {
              const cell = at(r.id, c.id);
              return (
                <td key={c.id}>
                  {cell ? (
                    <>
                      {fixed(cell.mean, decimals)} <span className="text-[13px] text-muted">n {cell.n}</span>
                    </>
                  ) : (
                    <span className="text-muted">no readings</span>
                  )}
                </td>
              );
            })}
            <td>{margin(0, r.id)}</td>
          </tr>
        ))}
        <tr className="border-t border-line">
          <th scope="row">mean of the cells</th>
          {columns.levels.map((c) => (
            <td key={c.id}>{margin(1, c.id)}</td>
          ))}
          <td />
        </tr>
      </tbody>
    </table>
  );
}

/** The whole answer: effect first, then the test or the source table, sizes, groups or cells. */
export function AnswerTables({ answer }: { answer: Answer }) {
  const { comparison, groups, question } = answer;
  if (question.about) return <SubjectTables answer={answer} />;
  if (comparison.ok) return <ReadingsTables answer={answer} comparison={comparison.value} />;
  return groups.length > 0 ? <GroupTable answer={answer} /> : null;
}

function ReadingsTables({ answer, comparison }: { answer: Answer; comparison: Comparison }) {
  const equivalent = equivalenceClause(answer, comparison);
  const twoWay = comparison.cells !== undefined;
  return (
    <>
      <div className="space-y-3">
        {comparison.effect ? (
          <DifferenceTable answer={answer} comparison={comparison} effect={comparison.effect} />
        ) : comparison.table ? (
          <SourceTable comparison={comparison} />
        ) : (
          <TestLines comparison={comparison} />
        )}
        <Sizes answer={answer} comparison={comparison} />
        {equivalent.length > 0 && (
          <p className="text-[14.5px]" data-testid="equivalence">
            <RichText text={equivalent} />
          </p>
        )}
        {comparison.equivalence && !comparison.equivalence.ok && (
          <p className="text-[14.5px] text-muted">{comparison.equivalence.reason}</p>
        )}
        <Remarks comparison={comparison} />
      </div>
      {twoWay ? <CellTable answer={answer} comparison={comparison} /> : <GroupTable answer={answer} />}
    </>
  );
}
