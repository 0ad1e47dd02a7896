import { useMemo } from 'react';
import { type Costs, type Plan, withoutAdjusting, spendings } from '../../core/planning/plan';
import { counted } from '../../core/words/numbers';
import { spendingsTable } from '../../core/words/tables/spendings-table';
import { copiedTable } from '../../formats/copied-table';
import { CopyButton } from '../shared/CopyButton';
import { ResultTableView } from '../shared/ResultTableView';
import { type Query, asQuery } from './address';
import { Value } from './Value';
import { Hint } from '../kit/Hint';

/** More readings or more samples? Every way to spread them that reaches the power, with what it costs. */
export function Spendings({
  plan,
  wanted,
  costs,
  subject,
  onTake,
}: {
  plan: Plan;
  wanted: number;
  costs: Costs;
  subject: string;
  onTake: (part: Partial<Query>) => void;
}) {
  const key = JSON.stringify([plan, wanted, costs]);
  const ways = useMemo(() => {
    const [of, power, each] = JSON.parse(key) as [Plan, number, Costs];
    return spendings(of, power, each);
  }, [key]);
  const table = spendingsTable(ways, { groups: plan.groups, chosen: plan.readings, subject });
  const cost = (label: string, name: string, value: number) => (
    <Value
      label={label}
      value={value}
      step={1}
      optional={false}
      unit=""
      least={0}
      onChange={(x) => onTake({ [name]: asQuery(x) })}
    />
  );
  return (
    <section aria-label="Samples or readings" className="mt-4">
      <h2 className="flex items-baseline gap-4 font-sans text-sm font-semibold">
        {table.title} <CopyButton copied={() => copiedTable(table)} label="Copy the ways to spread readings" />
      </h2>
      <p className="text-muted">
        A {subject} costs {cost('Cost of a sample', 'sampleCost', costs.sample)}, a reading of it{' '}
        {cost('Cost of a reading', 'readingCost', costs.reading)}, in any coin or in minutes.
      </p>
      <ResultTableView
        table={table}
        scrolls
        head={(_, i) => {
          const readings = ways[i]?.readings ?? 1;
          return readings === plan.readings ? (
            readings
          ) : (
            <Hint says="Take so many">
              <button
                type="button"
                className="plain-button"
                aria-label={`Take ${counted(readings, 'reading')} of each ${subject}`}
                onClick={() => onTake({ readings: String(readings) })}
              >
                {readings}
              </button>
            </Hint>
          );
        }}
      />
    </section>
  );
}

/** What adjusting, or comparing within blocks, spares. */
export function Gain({ plan, wanted, n }: { plan: Plan; wanted: number; n: number }) {
  const without = withoutAdjusting(plan, wanted);
  if (!without.ok) return null;
  const taken = plan.design === 'blocked' ? n * plan.readings : n;
  const by = plan.design === 'blocked' ? 'Without telling the blocks' : 'Without the covariate';
  const spared = without.value - taken;
  return (
    <p className="text-muted" data-testid="gain">
      {by} each group would take {without.value}:{' '}
      {spared > 0
        ? `this spares ${spared} of them in each.`
        : 'here it spares none, for it takes degrees of freedom and gives too little back.'}
    </p>
  );
}
