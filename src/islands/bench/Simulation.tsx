import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { DrawingView } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import type { Plan } from '../../core/planning/plan';
import { withUnit } from '../../core/readings/table';
import { drawnExperiments, simulatedScene } from '../../core/scenes/simulated';
import { powerPercent } from '../../core/words/numbers';
import type { SimulateCalls, SimulateTold } from '../../workers/simulate.worker';
import { type Caller, callerOf } from '../shared/caller';
import { NumberField } from '../kit/NumberField';

const runs = 1000;

interface Props {
  plan: Plan;
  n: number;
  seed: number;
  unit: string;
  /** The power the formula gives. */
  expected: number;
  onSeed: (seed: string) => void;
}

/** A thousand experiments of the plan, run in a worker: how many would have found the difference, how many missed it. */
export function Simulation({ plan, n, seed, unit, expected, onSeed }: Props) {
  const [told, setTold] = useState<SimulateTold>();
  const caller = useRef<Caller<SimulateCalls> | undefined>(undefined);
  useEffect(() => () => caller.current?.end(), []);
  const run = () => {
    caller.current?.end();
    setTold(undefined);
    caller.current = callerOf<SimulateCalls>(
      new Worker(new URL('../../workers/simulate.worker.ts', import.meta.url), { type: 'module' }),
    );
    void caller.current.calls.simulate(plan, n, seed, runs, proxy(setTold));
  };
  const scene = told && simulatedScene(told.first, plan.difference, withUnit('difference', unit), 820);
  return (
    <section aria-label="Simulated experiments" className="mt-6">
      <h2 className="font-sans text-sm font-semibold">A thousand such experiments</h2>
      <p className="mt-1">
        <button type="button" className="plain-button" onClick={run}>
          Run a thousand simulated experiments
        </button>{' '}
        <span className="text-muted">from the seed</span>{' '}
        <NumberField
          label="Seed of the simulation"
          value={seed}
          whole
          least={0}
          most={999_999_999}
          optional={false}
          onChange={(x) => x !== undefined && onSeed(String(x))}
        />
      </p>
      {told && (
        <>
          <p className="prose-serif mt-1 max-w-[68ch] text-[17px]" role="status" data-testid="simulated">
            {told.found} of {told.done} found the difference; {told.done - told.found} would have missed it. The formula
            says {powerPercent(expected)}.
            {scene && ` The first ${drawnExperiments} as intervals; those that missed are grey and hollow.`}
          </p>
          {scene && <DrawingView drawing={layout(scene)} />}
        </>
      )}
    </section>
  );
}
