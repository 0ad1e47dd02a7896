import { useMemo } from 'react';
import type { CurveName, Parameters } from '../../core/planning/curve-reading';
import { typedNumbers } from '../../core/readings/typed-number';
import { criticalValues } from '../../core/words/tables/critical-table';
import { copiedTable } from '../../formats/copied-table';
import { CopyButton } from '../shared/CopyButton';
import { NumbersField } from '../kit/NumbersField';
import { Choose } from '../kit/Parts';
import { ResultTableView } from '../shared/ResultTableView';
import type { Query } from './address';

const usualLevels = [0.1, 0.05, 0.025, 0.01, 0.005, 0.001];
const usualDf = [...Array.from({ length: 30 }, (_, i) => i + 1), 40, 50, 60, 80, 100, 200, 500, 1000];

const isLevel = (x: number): boolean => x > 0 && x < 1;
/** Numbers of the address, those that can stand there. */
const numbers = (text: string | undefined, holds: (x: number) => boolean): number[] =>
  typedNumbers(text ?? '').values.filter(holds);

/** What the table shows: it is computed anew only when this changes, and not while a curve is dragged. */
type Asked = [curve: CurveName, parameters: Parameters, dfs: number[], levels: number[], tails: 1 | 2];

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
  const levels = numbers(query['levels'], isLevel);
  const dfs = numbers(query['dfs'], (d) => d > 0);
  const asked: Asked = [
    curve,
    parameters,
    dfs.length > 0 ? dfs : usualDf,
    levels.length > 0 ? levels : usualLevels,
    tails,
  ];
  const told = JSON.stringify(asked);
  const table = useMemo(() => criticalValues(...(JSON.parse(told) as Asked)), [told]);
  return (
    <>
      <p className="not-print py-2 text-sm">
        For the areas{' '}
        <NumbersField
          className="part w-56"
          label="Areas of the table"
          value={query['levels'] ?? ''}
          placeholder={usualLevels.join(' ')}
          most={12}
          refuse={(x) => (isLevel(x) ? undefined : 'an area under the curve lies between 0 and 1')}
          onChange={(text) => onChange({ levels: text })}
        />
        {curve !== 'normal' && (
          <>
            {' '}
            and degrees of freedom{' '}
            <NumbersField
              className="part w-56"
              label="Degrees of freedom of the table"
              value={query['dfs'] ?? ''}
              placeholder="1 to 30, 40 … 1000"
              refuse={(x) => (x > 0 ? undefined : 'degrees of freedom must be above 0')}
              onChange={(text) => onChange({ dfs: text })}
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
      <p className="py-1 font-semibold">{table.title}</p>
      <CopyButton copied={() => copiedTable(table)}>Copy the table</CopyButton>
      <ResultTableView table={table} scrolls />
    </>
  );
}
