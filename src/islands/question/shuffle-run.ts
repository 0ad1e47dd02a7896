import { atom } from 'nanostores';
import { Gathered } from '../../core/procedures/gathered';
import {
  type Arrangement,
  type Shuffling,
  arrangement,
  centred,
  observedOf,
  shuffleBlock,
  slackOf,
} from '../../core/procedures/shuffling';
import type { ShuffleCalls, Stretched } from '../../workers/shuffle.worker';
import { type Caller, callerOf } from '../shared/caller';

/** How far a run has come. */
export interface RunState {
  gathered: Gathered;
  /** Arrangements gathered: each change makes a new state, so that the page draws it. */
  n: number;
  /** How many there are to be, while workers are at it. */
  goal: number | undefined;
  /** The arrangement made last, where it was made one by one. */
  last: Arrangement | undefined;
}

/** Workers at most: more gain little, and leave the page too little. */
const most = 4;

/** Milliseconds between two pictures. */
const between = 120;

/**
 * Arrangements of one seed as they are asked for: the first so many of its stream, whoever makes them. Blocks that come
 * early wait for those before them, so that a run stopped anywhere is the same run.
 */
export function shuffleRun(given: Shuffling, seed: number) {
  const what = centred(given);
  const observed = observedOf(what);
  const slack = slackOf(what, observed);
  const fresh = (): RunState => ({
    gathered: new Gathered(observed, slack),
    n: 0,
    goal: undefined,
    last: undefined,
  });
  const $state = atom<RunState>(fresh());
  let workers: Caller<ShuffleCalls>[] = [];

  const tell = (more: Partial<RunState>): void => {
    const { gathered } = $state.get();
    $state.set({ ...$state.get(), n: gathered.n, ...more });
  };
  const stop = (): void => {
    for (const { end } of workers) end();
    workers = [];
    tell({ goal: undefined });
  };
  /** Makes the next few here, to be seen one by one. */
  const some = (count: number): void => {
    stop();
    const { gathered } = $state.get();
    let last: Arrangement | undefined;
    for (let k = 0; k < count; k++) {
      last = arrangement(what, seed, gathered.n);
      gathered.add(Float64Array.of(last.statistic));
    }
    tell({ last });
  };
  /** Makes so many more in workers. */
  const many = (count: number): void => {
    stop();
    const { gathered } = $state.get();
    const goal = gathered.n + count;
    const waiting = new Map<number, Stretched>();
    let nextBlock = Math.floor(gathered.n / shuffleBlock);
    let block = nextBlock;
    let shown = performance.now();
    const ask = (worker: Caller<ShuffleCalls>): void => {
      const start = nextBlock * shuffleBlock;
      if (start >= goal) return;
      const asked = worker.calls.stretch({
        what,
        seed,
        block: nextBlock,
        from: Math.max(0, gathered.n - start),
        to: Math.min(shuffleBlock, goal - start),
        observed,
        slack,
        grid: gathered.lastingGrid,
      });
      void asked.then((made) => take(worker, made));
      nextBlock += 1;
    };
    const take = (worker: Caller<ShuffleCalls>, made: Stretched): void => {
      ask(worker);
      waiting.set(made.block, made);
      for (let next = waiting.get(block); next; next = waiting.get(block)) {
        gathered.add(next.statistics, next.tally);
        waiting.delete(block);
        block += 1;
      }
      if (gathered.n >= goal) stop();
      else if (performance.now() - shown > between) {
        shown = performance.now();
        tell({});
      }
    };
    const crew = Math.min(most, Math.max(1, navigator.hardwareConcurrency), Math.ceil(count / shuffleBlock));
    workers = Array.from({ length: crew }, () =>
      callerOf(new Worker(new URL('../../workers/shuffle.worker.ts', import.meta.url), { type: 'module' })),
    );
    tell({ goal, last: undefined });
    // One block in hand and one in waiting: no worker idles while the page draws.
    for (let ahead = 0; ahead < 2; ahead++) workers.forEach(ask);
  };
  const again = (): void => {
    stop();
    $state.set(fresh());
  };
  return { $state, some, many, stop, again };
}
