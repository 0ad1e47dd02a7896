import type { Grid, Tally } from '../core/procedures/gathered';
import type { ShuffleTest } from '../core/procedures/shuffle-means';
import type { Shuffling } from '../core/procedures/shuffling';

/** A stretch of a block of arrangements to be made. */
export interface StretchRequest {
  ask: 'stretch';
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

export type ShuffleRequest =
  | StretchRequest
  /** Every arrangement counted, if that can be. */
  | { ask: 'exact'; what: Shuffling };

/** The statistics of a stretch. */
export interface StretchReply {
  block: number;
  statistics: Float64Array<ArrayBuffer>;
  tally: Tally;
}

export type ExactReply = ShuffleTest | undefined;
