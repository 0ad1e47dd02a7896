/** How figures stand in the tables of an answer. */
import type { Answer } from '../../core/answer/answer';
import type { Comparison, Effect, Test } from '../../core/answer/comparison';
import {
  between,
  degreesOfFreedom,
  effectDecimals,
  fixed,
  pValue,
  percent,
  smallP,
  significant,
} from '../../core/words/numbers';
import { sizeMeaning, sizeName } from '../../core/words/phrases';
import { RichText } from '../shared/RichText';

export const dash = <span className="text-muted">–</span>;

/** A p-value; under 0.001 its size stands below, so that nothing is hidden behind the sign. */
export const FullP = ({ p, log10P }: { p: number; log10P?: number | undefined }) => (
  <>
    {pValue(p)}
    {p < 0.001 && <span className="block text-[13px] text-muted">{smallP(p, 3, log10P)}</span>}
  </>
);

export const statistic = (x: number): string => (Math.abs(x) >= 1e4 ? significant(x, 4) : fixed(x, 3));

/** Decimals for an effect in a table: one more than in a sentence. */
export const tableDecimals = (effect: Effect): number => effectDecimals(effect) + 1;

/** Effect sizes without a unit. */
export function Sizes({ answer, comparison }: { answer: Answer; comparison: Comparison }) {
  const level = percent(answer.question.level);
  // In a source table they stand on their lines.
  const shown = comparison.sizes.filter((s) => !s.ok || s.value.of === undefined);
  return (
    <>
      {shown.map((size, i) => (
        <p key={i} className="text-[14.5px]" data-testid="effect-size">
          {size.ok ? (
            <>
              <RichText text={sizeName(size.value)} /> = {fixed(size.value.value, 2)}
              {size.value.interval && `, ${level} CI ${between(size.value.interval, 2)}`}{' '}
              <span className="text-muted">– {sizeMeaning[size.value.kind]}</span>
            </>
          ) : (
            <span className="text-muted">No standardized effect: {size.reason}</span>
          )}
        </p>
      ))}
    </>
  );
}

/** How far the arrangements drawn leave p uncertain. */
export const SampledP = ({ test }: { test: Test | undefined }) =>
  test?.pInterval ? (
    <span className="block text-[13px] text-muted">
      {significant(test.pInterval.low, 2)} to {significant(test.pInterval.high, 2)} for the shuffles drawn
    </span>
  ) : null;

/** Tests without a source table: one line. */
export function TestLines({ comparison }: { comparison: Comparison }) {
  return (
    <table className="figures-table text-[14.5px]">
      <caption className="sr-only">Test</caption>
      <thead>
        <tr>
          <th scope="col">test</th>
          <th scope="col">statistic</th>
          <th scope="col">df</th>
          <th scope="col">
            <i>p</i>
          </th>
        </tr>
      </thead>
      <tbody>
        {comparison.tests.map((t, i) => (
          <tr key={i} data-testid="test-row" className="align-top">
            <th scope="row">
              {t.symbol ? <i>{t.symbol}</i> : 'exact'} {t.of}
            </th>
            <td>{t.value === undefined ? dash : statistic(t.value)}</td>
            <td>{t.df.map(degreesOfFreedom).join(', ')}</td>
            <td>
              <FullP p={t.p} log10P={t.log10P} />
              <SampledP test={t} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What must be known to read the answer rightly. */
export const Remarks = ({ comparison }: { comparison: Comparison }) => (
  <>
    {comparison.remarks.map((remark) => (
      <p key={remark} className="max-w-[72ch] text-sm text-muted">
        {remark}
      </p>
    ))}
  </>
);
