import type { Answer, Comparison } from '../../core/answer/answer';
import {
  between,
  decimalsOf,
  degreesOfFreedom,
  fixed,
  intervalDecimals,
  pValue,
  percent,
  scientific,
  significant,
} from '../../core/words/numbers';
import { type Headline, effectName, subtraction } from '../../core/words/two-groups';
import { GroupMarker } from '../shared/GroupMarker';
import { RichText } from '../shared/RichText';

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
          <p className="flex flex-wrap items-baseline gap-x-4 leading-8">
            <span className="prose-serif text-[27px]" data-testid="estimate">
              {headline.estimate}
            </span>
            <span className="prose-serif text-[19px]" data-testid="interval">
              {headline.interval}
            </span>
            <span className="text-muted">{headline.order}</span>
          </p>
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

const dash = <span className="text-muted">–</span>;

/** Each group's figures. */
export function GroupTable({ answer }: { answer: Answer }) {
  const level = percent(answer.question.level);
  return (
    <table className="figures-table text-[14.5px]">
      <caption className="sr-only">Figures of each group</caption>
      <thead>
        <tr>
          <th scope="col">Group</th>
          <th scope="col">
            <i>n</i>
          </th>
          <th scope="col">set aside</th>
          <th scope="col">mean{answer.unit && ` (${answer.unit})`}</th>
          <th scope="col">{level} CI of the mean</th>
          <th scope="col" title="sample standard deviation, divisor n − 1">
            SD
          </th>
          <th scope="col" title="standard error of the mean">
            SEM
          </th>
          <th scope="col">median</th>
        </tr>
      </thead>
      <tbody>
        {answer.groups.map((group) => {
          const d = group.description;
          const decimals = decimalsOf(group.readings.used.map((r) => r.value)) + 1;
          return (
            <tr key={group.id}>
              <th scope="row">
                <span className="inline-flex items-center gap-1.5">
                  <GroupMarker position={group.colour} />
                  {group.name}
                </span>
              </th>
              <td>{group.readings.used.length}</td>
              <td>{group.readings.aside.length}</td>
              <td>{d ? fixed(d.mean, decimals) : dash}</td>
              <td>{group.interval ? between(group.interval, decimals) : dash}</td>
              <td>{d?.sd === undefined ? dash : fixed(d.sd, decimals)}</td>
              <td>{d?.sem === undefined ? dash : fixed(d.sem, decimals)}</td>
              <td>{d ? fixed(d.median, decimals) : dash}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** A p-value; under 0.001 its size stands below, so that nothing is hidden behind the sign. */
const FullP = ({ p }: { p: number }) => (
  <>
    {pValue(p)}
    {p < 0.001 && <span className="block text-[13px] text-muted">{scientific(p, 3)}</span>}
  </>
);

/** The effect first, then the test, then the standardized effect. */
export function TestTable({ answer, comparison }: { answer: Answer; comparison: Comparison }) {
  const { test, size, p } = comparison;
  const { question, unit } = answer;
  const decimals = intervalDecimals(test.interval) + 1;
  const level = percent(question.level);
  const way = {
    either: 'either way',
    greater: `${answer.groups[0].name} greater`,
    less: `${answer.groups[0].name} less`,
  }[question.direction];
  const bound =
    question.direction === 'greater'
      ? `at least ${fixed(test.bounds.low, decimals)}`
      : `at most ${fixed(test.bounds.high, decimals)}`;
  return (
    <div className="space-y-3">
      <table className="figures-table text-[14.5px]">
        <caption className="sr-only">The difference and its test</caption>
        <thead>
          <tr>
            <th scope="col">means</th>
            <th scope="col">difference{unit && ` (${unit})`}</th>
            <th scope="col">standard error</th>
            <th scope="col">{level} CI</th>
            <th scope="col">
              <i>t</i>
            </th>
            <th scope="col">df</th>
            <th scope="col">
              <i>p</i>, {way}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr data-testid="test-row" className="align-top">
            <th scope="row">{subtraction(answer.groups)}</th>
            <td>{fixed(test.estimate, decimals)}</td>
            <td>{fixed(test.se, decimals)}</td>
            <td>{between(test.interval, decimals)}</td>
            <td>{Math.abs(test.t) >= 1e4 ? significant(test.t, 4) : fixed(test.t, 3)}</td>
            <td>{degreesOfFreedom(test.df)}</td>
            <td>
              <FullP p={p} />
            </td>
          </tr>
        </tbody>
      </table>
      {question.direction !== 'either' && (
        <p className="text-sm text-muted">
          The interval is two-sided. The one-sided statement at {level}: the difference is {bound}
          {unit && ` ${unit}`}.
        </p>
      )}
      <p className="text-[14.5px]" data-testid="effect-size">
        {size.ok ? (
          <>
            <RichText text={effectName(size.value)} /> = {fixed(size.value.value, 2)}, {level} CI{' '}
            {between(size.value.interval, 2)}{' '}
            <span className="text-muted">
              {size.value.kind === 'g'
                ? '– the difference in pooled standard deviations, its small-sample bias removed'
                : '– the mean difference in standard deviations of the differences within pairs'}
            </span>
          </>
        ) : (
          <span className="text-muted">No standardized difference: {size.reason}</span>
        )}
      </p>
    </div>
  );
}
