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
  const [state, setState] = useState<'idle' | 'running' | 'stopped' | 'failed'>('idle');
  const caller = useRef<Caller<SimulateCalls> | undefined>(undefined);
  const end = (next: typeof state) => {
    caller.current?.end();
    caller.current = undefined;
    setState(next);
  };
  useEffect(() => () => caller.current?.end(), []);
  const run = () => {
    end('running');
    setTold(undefined);
    caller.current = callerOf<SimulateCalls>(
      new Worker(new URL('../../workers/simulate.worker.ts', import.meta.url), { type: 'module' }),
      () => end('failed'),
    );
    const tell = (now: SimulateTold) => {
      setTold(now);
      if (now.done === runs) end('idle');
    };
    void caller.current.calls.simulate(plan, n, seed, runs, proxy(tell));
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
        {state === 'running' && (
          <span className="ml-4 inline-flex items-baseline gap-3 text-muted">
            <progress
              className="progress w-32 self-center"
              aria-label="Experiments run"
              value={told?.done ?? 0}
              max={runs}
            />
            <button type="button" className="plain-button" onClick={() => end('stopped')}>
              Stop
            </button>
          </span>
        )}
      </p>
      {state === 'failed' && (
        <p role="alert" className="text-error">
          The experiments could not be run: their script did not come. Run them again.
        </p>
      )}
      {state === 'stopped' && !told && <p role="status">Stopped before the first experiment was told.</p>}
      {told && (
        <>
          <p className="prose-serif mt-1 max-w-[68ch] text-[17px]" role="status" data-testid="simulated">
            {state === 'stopped' && 'Stopped: '}
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
