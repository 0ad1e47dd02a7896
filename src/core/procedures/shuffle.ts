import { addTo } from '../numeric/add-to';
import { nth } from '../numeric/nth';
import { demand } from '../numeric/domain-error';
import { random, shuffleInPlace } from '../numeric/random';
import type { TailProbabilities } from './direction';
import { type ShuffleTest, sampledP } from './shuffle-means';

/** Arrangements up to this many are listed one by one; beyond, some are drawn. */
export const listUpTo = 100_000;

/** Arrangements 0 … n − 1 into groups of the given sizes in every way, each way once. */
function* arrangements(sizes: readonly number[]): Generator<Int32Array> {
  const n = sizes.reduce((a, b) => a + b, 0);
  const label = new Int32Array(n);
  const left = [...sizes];
  function* from(i: number): Generator<Int32Array> {
    if (i === n) {
      yield label;
      return;
    }
    for (let g = 0; g < left.length; g++) {
      if (nth(left, g) === 0) continue;
      addTo(left, g, -1);
      label[i] = g;
      yield* from(i + 1);
      addTo(left, g, 1);
    }
  }
  yield* from(0);
}

/** How many ways there are to part into groups of these sizes; Infinity beyond a million million. */
export function arrangementsCount(sizes: readonly number[]): number {
  let ways = 1;
  let used = 0;
  for (const size of sizes)
    for (let i = 1; i <= size; i++) {
      ways = (ways * ++used) / i;
      if (ways > 1e12) return Infinity;
    }
  return Math.round(ways);
}

/**
 * Counts how many statistics reach as far as the one observed, either way, above and below.
 * @param slack statistics no further apart differ by rounding alone
 */
export function counter(
  observed: number,
  slack: number,
): {
  see: (x: number) => void;
  tails: (total: number, p: (count: number, total: number) => number) => TailProbabilities;
} {
  let greater = 0;
  let less = 0;
  let either = 0;
  return {
    see: (x) => {
      if (x >= observed - slack) greater += 1;
      if (x <= observed + slack) less += 1;
      if (Math.abs(x) >= Math.abs(observed) - slack) either += 1;
    },
    tails: (total, p) => ({ either: p(either, total), greater: p(greater, total), less: p(less, total) }),
  };
}

/**
 * Randomization test of any statistic of several groups: the labels are permuted anew, in every way while there are few,
 * else as often as asked. "Either way" takes the statistic as centred on 0; for one that only grows with the departure
 * (F, chi-square) read the greater tail. Source: Fisher (1935); sampled p: Davison & Hinkley (1997).
 * @param statistic from the values and each one's group
 * @param slack statistics no further apart differ by rounding alone
 */
export function shuffleTest(
  groups: readonly (readonly number[])[],
  statistic: (values: Float64Array, label: Int32Array) => number,
  seed: number,
  shuffles: number,
  slack: number,
): ShuffleTest {
  demand(groups.length >= 2 && groups.every((g) => g.length > 0), 'At least two groups with readings are needed.');
  const values = new Float64Array(groups.flat());
  const label = Int32Array.from(groups.flatMap((g, i) => g.map(() => i)));
  const observed = statistic(values, label);
  const count = counter(observed, slack);
  const sizes = groups.map((g) => g.length);
  const ways = arrangementsCount(sizes);
  if (ways <= listUpTo) {
    for (const permuted of arrangements(sizes)) count.see(statistic(values, permuted));
    return { observed, method: 'exact', arrangements: ways, p: count.tails(ways, (c, total) => c / total) };
  }
  const generator = random(seed, 1);
  for (let s = 0; s < shuffles; s++) {
    shuffleInPlace(label, generator);
    count.see(statistic(values, label));
  }
  return { observed, method: 'sampled', arrangements: shuffles, p: count.tails(shuffles, sampledP) };
}
