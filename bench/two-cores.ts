/** Shuffles of 50 + 50 on one core, and shared between two: `npm run bench:cores`. Prints ratios; nothing passes or fails. */
import { once } from 'node:events';
import { Worker, isMainThread, parentPort } from 'node:worker_threads';
import { random } from '../src/core/numeric/random';
import { blockOf } from '../src/core/procedures/shuffling';

const blocks = 200;
const { normal } = random(1);
const group = (): number[] => Array.from({ length: 50 }, () => 20 + 4 * normal());
const what = { kind: 'labels', groups: [group(), group()], statistic: 'mean' } as const;

async function measured(): Promise<void> {
  const started = [0, 1].map(() => new Worker(new URL('shuffle-thread.mjs', import.meta.url)));
  const run = async (workers: readonly Worker[]): Promise<number> => {
    const begun = performance.now();
    await Promise.all(
      workers.map((worker, i) => {
        worker.postMessage([i * (blocks / workers.length), (i + 1) * (blocks / workers.length)]);
        return once(worker, 'message');
      }),
    );
    return (blocks * 10) / (performance.now() - begun);
  };
  await run(started);
  // In turns, so that a machine that slows down slows both.
  for (let turn = 0; turn < 5; turn++) {
    const [one, two] = [await run(started.slice(0, 1)), await run(started)];
    const [a, b] = [one, two].map((millions) => millions.toFixed(2));
    console.log(`million shuffles a second: one core ${a}, two cores ${b}, ${(two / one).toFixed(2)} times as many`);
  }
  for (const worker of started) await worker.terminate();
}

if (isMainThread) await measured();
else
  parentPort?.on('message', ([from, to]: [number, number]) => {
    for (let block = from; block < to; block++) blockOf(what, 1, block);
    parentPort?.postMessage('done');
  });
