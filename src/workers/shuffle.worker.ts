/** Makes arrangements off the main thread, block by block as it is asked. Stopped by ending the worker. */
import { tallyOf } from '../core/procedures/gathered';
import { exactly } from '../core/procedures/randomization';
import { blockOf } from '../core/procedures/shuffling';
import type { ExactReply, ShuffleRequest, StretchReply } from './shuffle-messages';

onmessage = ({ data }: MessageEvent<ShuffleRequest>): void => {
  if (data.ask === 'exact') {
    postMessage(exactly(data.what) satisfies ExactReply);
    return;
  }
  const { what, seed, block, from, to, observed, slack, grid } = data;
  const statistics = Float64Array.from(blockOf(what, seed, block, from, to));
  const tally = tallyOf(statistics, observed, slack, grid);
  postMessage({ block, statistics, tally } satisfies StretchReply, { transfer: [statistics.buffer] });
};
