import { useMemo } from 'react';
import { type Costs, type Plan, withoutAdjusting, spendings } from '../../core/planning/plan';
import { counted, plural } from '../../core/words/numbers';
import { type Query, asQuery } from './address';
import { Value } from './Value';

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
  const least = ways.reduce((low, way) => Math.min(low, way.cost), Infinity);
  const cost = (label: string, name: string, value: number) => (
    <Value
      label={label}
      value={value}
      step={1}
      width="w-12"
      optional={false}
      unit=""
      least={0}
      onChange={(x) => onTake({ [name]: asQuery(x) })}
    />
  );
  return (
    <section aria-label="Samples or readings" className="mt-4">
      <h2 className="font-sans text-sm font-semibold">More readings, or more {plural(subject)}?</h2>
      <p className="text-muted">
        A {subject} costs {cost('Cost of a sample', 'sampleCost', costs.sample)}, a reading of it{' '}
        {cost('Cost of a reading', 'readingCost', costs.reading)}, in any coin or in minutes.
      </p>
      <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Ways to spread readings">
        <table className="mt-1 text-sm">
          <thead>
            <tr className="border-b border-line text-left text-muted">
              <th className="pr-6 font-normal">readings of each {subject}</th>
              <th className="pr-6 font-normal">{plural(subject)} in each group</th>
              <th className="pr-6 font-normal">readings in all</th>
              <th className="pr-6 font-normal">cost of all</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {ways.map(({ readings, samples, cost: all }) => (
              <tr
                key={readings}
                className={readings === plan.readings ? 'font-semibold' : ''}
                aria-current={readings === plan.readings || undefined}
              >
                <td className="pr-6">{readings}</td>
                <td className="pr-6">{samples}</td>
                <td className="pr-6">{plan.groups * samples * readings}</td>
                <td className="pr-6">{String(Number(all.toPrecision(6)))}</td>
                <td>
                  {all === least && <span className="mr-3 text-primary">cheapest</span>}
                  {readings !== plan.readings && (
                    <button
                      type="button"
                      className="plain-button"
                      aria-label={`Take ${counted(readings, 'reading')} of each ${subject}`}
                      onClick={() => onTake({ readings: String(readings) })}
                    >
                      take these
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
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
