import { performance } from 'node:perf_hooks';

/** Median time of several runs, in milliseconds, after one that warms up. */
export function median(run: () => unknown, times = 5): number {
  run();
  const taken = Array.from({ length: times }, () => {
    const start = performance.now();
    run();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return taken[Math.floor(times / 2)] ?? 0;
}
