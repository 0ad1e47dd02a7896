/** Simulated experiments of a plan, off the main thread. */
import { expose } from 'comlink';
import type { Plan } from '../core/planning/plan';
import { type Simulated, simulator } from '../core/planning/simulate';
import { drawnExperiments } from '../core/scenes/simulated';

export interface SimulateTold {
  done: number;
  found: number;
  /** The first of them, whose intervals are drawn. */
  first: Simulated[];
}

const calls = {
  /** @param tell how far it is, several times a second and at the end */
  simulate: (plan: Plan, n: number, seed: number, runs: number, tell: (told: SimulateTold) => void): void => {
    const run = simulator(plan, n, seed);
    const first: Simulated[] = [];
    let found = 0;
    let told = performance.now();
    for (let i = 1; i <= runs; i++) {
      const one = run();
      if (one.found) found += 1;
      if (first.length < drawnExperiments) first.push(one);
      const now = performance.now();
      if (i < runs && now - told < 150) continue;
      told = now;
      tell({ done: i, found, first });
    }
  },
};
export type SimulateCalls = typeof calls;
expose(calls);
