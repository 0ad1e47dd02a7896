/** The tables of an answer about shares, counts or spread. */
import type { Answer } from '../../core/answer/answer';
import type { Comparison, CountedPart, Effect } from '../../core/answer/comparison';
import { sdInterval } from '../../core/answer/spreads';
import { departs } from '../../core/scenes/tiles';
import { between, fixed, percent, significant } from '../../core/words/numbers';
import { departures } from '../../core/words/counts';
import { GroupMarker } from '../shared/GroupMarker';
import { FullP, Remarks, Sizes, TestLines, dash, tableDecimals } from './Figures';

const Named = ({ colour, name }: { colour: number; name: string }) => (
  <span className="inline-flex items-center gap-1.5">
    <GroupMarker position={colour} />
    {name}
  </span>
);

/** Each group's share, or its spread. */
function SubjectGroups({ answer }: { answer: Answer }) {
  const { question, groups, unit } = answer;
  const level = percent(question.level);
  const shares = question.about === 'share';
  if (question.about === 'table') return null;
  const heads = shares
    ? ['found', 'of', 'share', `${level} CI`]
    : ['n', 'set aside', `SD${unit && ` (${unit})`}`, `${level} CI of the SD`, `variance${unit && ` (${unit}²)`}`];
  return (
    <table className="figures-table text-[14.5px]" data-testid="group-figures">
      <caption className="sr-only">{shares ? 'The share of each group' : 'The spread of each group'}</caption>
      <thead>
        <tr>
          <th scope="col">Group</th>
          {heads.map((h) => (
            <th key={h} scope="col">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {groups.map((g) => {
          const ci = shares ? g.share?.interval : sdInterval(g, question.level);
          const sd = g.summary && Math.sqrt(g.summary.variance);
          return (
            <tr key={g.id}>
              <th scope="row">
                <Named colour={g.colour} name={g.name} />
              </th>
              {shares ? (
                <>
                  <td>{g.share?.successes ?? dash}</td>
                  <td>{g.n}</td>
                  <td>{g.share ? fixed(g.share.proportion, 3) : dash}</td>
                  <td>{ci ? between(ci, 3) : dash}</td>
                </>
              ) : (
                <>
                  <td>{g.n}</td>
                  <td>{g.readings.aside.length}</td>
                  <td>{sd === undefined ? dash : significant(sd, 4)}</td>
                  <td>{ci ? between(ci) : dash}</td>
                  <td>{g.summary ? significant(g.summary.variance, 4) : dash}</td>
                </>
              )}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** The effect asked for, and the same by other measures or intervals. */
function Effects({ effects, level, p }: { effects: readonly Effect[]; level: number; p: number }) {
  return (
    <table className="figures-table text-[14.5px]" data-testid="effects">
      <caption className="sr-only">Effects with their intervals</caption>
      <thead>
        <tr>
          <th scope="col" className="min-w-40">
            effect
          </th>
          <th scope="col">estimate</th>
          <th scope="col">{percent(level)} CI</th>
          <th scope="col">
            <i>p</i>
          </th>
        </tr>
      </thead>
      <tbody>
        {effects.map((e, i) => {
          const decimals = Math.min(6, tableDecimals(e));
          return (
            <tr key={e.name} className={i === 0 ? 'font-semibold' : ''}>
              <th scope="row">{e.name}</th>
              <td>{fixed(e.estimate, decimals)}</td>
              <td>{e.interval ? between(e.interval, decimals) : dash}</td>
              <td>{i === 0 ? <FullP p={p} /> : ''}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** Observed counts, what would be expected, the share of the row and the residual, in each cell of one table. */
function Counts({ counts, level }: { counts: CountedPart; level: number }) {
  const { observed, expected, residuals, cellP, rows, columns } = counts;
  const total = (xs: readonly number[]): number => xs.reduce((a, b) => a + b, 0);
  const all = total(observed.flat());
  const single = observed.length === 1;
  return (
    <table className="figures-table text-[14.5px]" data-testid="count-table">
      <caption className="caption-bottom pt-1 text-left text-[13px] text-muted">
        Each cell: counted, <span className="whitespace-nowrap">(expected)</span>, share of its{' '}
        {single ? 'total' : 'row'}, and the adjusted residual; + and − mark cells that stand out after Holm.
      </caption>
      <thead>
        <tr>
          <th scope="col">{counts.rowName}</th>
          {columns.map((c) => (
            <th key={c} scope="col">
              {c}
            </th>
          ))}
          <th scope="col">all</th>
        </tr>
      </thead>
      <tbody>
        {observed.map((row, i) => (
          <tr key={rows[i]} className="align-top">
            <th scope="row">{rows[i]}</th>
            {row.map((n, j) => {
              const sign = departs(residuals[i]?.[j] ?? 0, cellP[i]?.[j] ?? 1, level);
              return (
                <td key={j} className={sign === '+' ? 'bg-primary/15' : sign === '−' ? 'bg-warning/15' : ''}>
                  <span className={sign ? 'font-semibold' : ''}>
                    {sign} {n}
                  </span>{' '}
                  <span className="text-muted">({fixed(expected[i]?.[j] ?? 0, 1)})</span>
                  <span className="block text-[13px] text-muted">
                    {fixed((n / (total(row) || 1)) * 100, 1)} % · {fixed(residuals[i]?.[j] ?? 0, 1)}
                  </span>
                </td>
              );
            })}
            <td>{total(row)}</td>
          </tr>
        ))}
        {!single && (
          <tr className="border-t border-line">
            <th scope="row">all</th>
            {columns.map((c, j) => (
              <td key={c}>{total(observed.map((row) => row[j] ?? 0))}</td>
            ))}
            <td>{all}</td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

/** What the answer is made of, for a question that is not about how large readings are; its groups where there is none. */
export default function SubjectTables({ answer }: { answer: Answer }) {
  return (
    <>
      {answer.comparison.ok && <Found answer={answer} comparison={answer.comparison.value} />}
      <SubjectGroups answer={answer} />
    </>
  );
}

/** Effects, counts, test and sizes. */
function Found({ answer, comparison }: { answer: Answer; comparison: Comparison }) {
  const { question } = answer;
  const { effect, also = [], counts } = comparison;
  const stand = question.about === 'table' ? departures(comparison, question.level) : [];
  return (
    <div className="space-y-3">
      {effect && <Effects effects={[effect, ...also]} level={question.level} p={comparison.p} />}
      {counts && question.about === 'table' && <Counts counts={counts} level={question.level} />}
      {stand.length > 0 && (
        <p className="max-w-[72ch] text-[14.5px]" data-testid="departures">
          Stand out: {stand.slice(0, 6).join('; ')}
          {stand.length > 6 && `; and ${stand.length - 6} more`}.
        </p>
      )}
      <TestLines comparison={comparison} />
      <Sizes answer={answer} comparison={comparison} />
      {counts && question.about === 'share' && (
        <p className="text-[14.5px] text-muted" data-testid="expected">
          Smallest expected count {significant(counts.smallest, 3)}; under 5: {counts.underFive}.
        </p>
      )}
      <Remarks comparison={comparison} />
    </div>
  );
}
