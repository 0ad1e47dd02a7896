/** Simulated experiments of a plan, off the main thread. */
import type { Plan } from '../core/planning/plan';
import { type Simulated, simulator } from '../core/planning/simulate';
import { drawnExperiments } from '../core/scenes/simulated';

export interface SimulateAsked {
  plan: Plan;
  n: number;
  seed: number;
  runs: number;
}

export interface SimulateTold {
  done: number;
  found: number;
  /** The first of them, whose intervals are drawn. */
  first: Simulated[];
}

self.onmessage = ({ data: { plan, n, seed, runs } }: MessageEvent<SimulateAsked>) => {
  const run = simulator(plan, n, seed);
  const first: Simulated[] = [];
  let found = 0;
  for (let i = 1; i <= runs; i++) {
    const one = run();
    if (one.found) found += 1;
    if (first.length < drawnExperiments) first.push(one);
    if (i % 100 === 0 || i === runs) self.postMessage({ done: i, found, first } satisfies SimulateTold);
  }
};
