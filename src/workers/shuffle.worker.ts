/** Makes arrangements off the main thread, block by block as it is asked. Stopped by ending the worker. */
import { expose, transfer } from 'comlink';
import { type Grid, type Tally, tallyOf } from '../core/procedures/gathered';
import { exactly } from '../core/procedures/randomization';
import { type Shuffling, blockOf } from '../core/procedures/shuffling';

/** A stretch of a block of arrangements to be made. */
export interface Stretch {
  what: Shuffling;
  seed: number;
  block: number;
  /** The first and the one after the last, counted within the block. */
  from: number;
  to: number;
  /** How they are to be tallied. */
  observed: number;
  slack: number;
  grid: Grid | undefined;
}

/** The statistics of a stretch. */
export interface Stretched {
  block: number;
  statistics: Float64Array<ArrayBuffer>;
  tally: Tally;
}

const calls = {
  stretch: ({ what, seed, block, from, to, observed, slack, grid }: Stretch): Stretched => {
    const statistics = Float64Array.from(blockOf(what, seed, block, from, to));
    return transfer({ block, statistics, tally: tallyOf(statistics, observed, slack, grid) }, [statistics.buffer]);
  },
  /** Every arrangement counted, if that can be. */
  exactly,
};
export type ShuffleCalls = typeof calls;
expose(calls);
