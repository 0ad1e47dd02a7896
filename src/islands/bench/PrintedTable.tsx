import { useMemo } from 'react';
import { type CurveName, type Parameters, criticalTable, curves } from '../../core/planning/curve-reading';
import { typedNumbers } from '../../core/readings/typed-number';
import { significant } from '../../core/words/numbers';
import { htmlTable } from '../../formats/html-document';
import { Accepted } from '../kit/Accepted';
import { CopyButton } from '../shared/CopyButton';
import { Choose } from '../kit/Parts';
import { TextTableView } from '../shared/TextTableView';
import type { Query } from './address';

const usualLevels = [0.1, 0.05, 0.025, 0.01, 0.005, 0.001];
const usualDf = [...Array.from({ length: 30 }, (_, i) => i + 1), 40, 50, 60, 80, 100, 200, 500, 1000];

/** Numbers typed in a row, those that can stand there. */
const numbers = (text: string | undefined, holds: (x: number) => boolean): number[] =>
  typedNumbers(text ?? '').values.filter(holds);

/** What the table shows, as one text: it is computed anew only when this changes. */
type Asked = [curve: CurveName, parameters: Parameters, dfs: (number | null)[], levels: number[], tails: 1 | 2];

function Table({ asked }: { asked: string }) {
  const { title, head, body } = useMemo(() => {
    const [curve, parameters, dfs, levels, tails] = JSON.parse(asked) as Asked;
    // JSON has no infinity; the normal curve has no degrees of freedom.
    const rows = criticalTable(
      curve,
      parameters,
      dfs.map((d) => d ?? Infinity),
      levels,
      tails,
    );
    return {
      title: `Critical values of ${curves[curve].symbol}, area ${tails === 2 ? 'outside' : 'to the right'}`,
      head: [curve === 'normal' ? '' : 'df', ...levels.map(String)],
      body: rows.map(({ df, values }) => [
        Number.isFinite(df) ? String(df) : 'z',
        ...values.map((v) => (v.ok ? significant(v.value, 5) : '–')),
      ]),
    };
  }, [asked]);
  return (
    <>
      <CopyButton
        copied={() => ({
          plain: [head.join('\t'), ...body.map((r) => r.join('\t'))].join('\n'),
          html: htmlTable({ title, head: head.map((h) => [h]), rows: body.map((row) => row.map((cell) => [cell])) }),
        })}
        label="Copy the table"
      />
      <TextTableView head={head} rows={body} caption={title} size="text-[14px]" testId="critical-table" />
    </>
  );
}

/** A page of critical values, as a printed table gives them: for chosen areas and degrees of freedom, to copy or print. */
export function PrintedTable({
  curve,
  parameters,
  query,
  onChange,
}: {
  curve: CurveName;
  parameters: Parameters;
  query: Query;
  onChange: (part: Partial<Query>) => void;
}) {
  const twoTails = curve === 't' || curve === 'normal';
  const tails = query['tails'] === '2' && twoTails ? 2 : 1;
  const levels = numbers(query['levels'], (l) => l > 0 && l < 1);
  const dfs = numbers(query['dfs'], (d) => d > 0);
  const asked: Asked = [
    curve,
    parameters,
    curve === 'normal' ? [null] : dfs.length > 0 ? dfs : usualDf,
    levels.length > 0 ? levels : usualLevels,
    tails,
  ];
  return (
    <>
      <p className="not-print py-2 text-sm">
        For the areas{' '}
        <Accepted
          className="part w-56"
          aria-label="Areas of the table"
          value={query['levels'] ?? usualLevels.join(' ')}
          onAccept={(text) => onChange({ levels: text })}
        />
        {curve !== 'normal' && (
          <>
            {' '}
            and degrees of freedom{' '}
            <Accepted
              className="part w-56"
              aria-label="Degrees of freedom of the table"
              value={query['dfs'] ?? '1 to 30, 40 … 1000'}
              onAccept={(text) => onChange({ dfs: text })}
            />
          </>
        )}
        {twoTails && (
          <>
            , taken{' '}
            <Choose
              label="Tails of the table"
              value={String(tails) as '1' | '2'}
              options={{ 1: 'to the right', 2: 'outside' }}
              onChange={(next) => onChange({ tails: next })}
            />
          </>
        )}
      </p>
      <Table asked={JSON.stringify(asked)} />
    </>
  );
}
