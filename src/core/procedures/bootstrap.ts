import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { quantile, sortedUp } from '../numeric/quantile';
import { random } from '../numeric/random';
import { sum } from '../numeric/sum';
import { type Interval, checkedLevel } from './interval';
import { nth } from '../numeric/nth';

export interface Bootstrap {
  estimate: number;
  /** Standard error: the spread of the resampled statistics. */
  se: number;
  percentile: Interval;
  /** Bias-corrected and accelerated: shifted for bias and skewness; undefined when every resample gave the same. */
  bca: Interval | undefined;
}

/**
 * Bootstrap intervals for any statistic of one or more independent groups, each resampled within itself.
 * Source: Efron (1979), percentile; Efron (1987), BCa, its acceleration by the jackknife.
 * @param statistic gives a number from the groups' values
 * @param resamples at least 100; 10,000 settle the second digit of an end
 * @param seed the same seed gives the same interval everywhere
 * @param accelerated whether the BCa interval is asked for, which takes a statistic for each value left out
 */
export function bootstrap(
  groups: readonly (readonly number[])[],
  statistic: (groups: readonly Float64Array[]) => number,
  level: number,
  seed: number,
  resamples = 10_000,
  accelerated = true,
): Bootstrap {
  demand(
    groups.every((g) => g.length > 1),
    'Resampling needs at least two readings in each group.',
  );
  demand(Number.isInteger(resamples) && resamples >= 100, 'At least 100 resamples are needed.');
  const values = groups.map((g) => new Float64Array(g));
  const { below } = random(seed, 1);
  const drawn = values.map((g) => new Float64Array(g.length));
  const results = new Float64Array(resamples);
  for (let r = 0; r < resamples; r++) {
    drawn.forEach((into, g) => {
      const from = values[g] ?? into;
      for (let i = 0; i < into.length; i++) into[i] = nth(from, below(from.length));
    });
    results[r] = statistic(drawn);
  }
  return fromResamples(results, statistic(values), accelerated ? jackknifeAcceleration(values, statistic) : 0, level);
}

/**
 * The intervals that resampled statistics give.
 * @param acceleration of the statistic, by `jackknifeAcceleration`
 */
export function fromResamples(results: Float64Array, estimate: number, acceleration: number, level: number): Bootstrap {
  const alpha = 1 - checkedLevel(level);
  const resamples = results.length;
  const sorted = sortedUp(results);
  const mean = sum(results) / resamples;
  const se = Math.sqrt(sum(results.map((x) => (x - mean) ** 2)) / (resamples - 1));
  const cut = (low: number, high: number): Interval => ({ low: quantile(sorted, low), high: quantile(sorted, high) });
  return { estimate, se, percentile: cut(alpha / 2, 1 - alpha / 2), bca: bcaEnds() };

  function bcaEnds(): Interval | undefined {
    let below0 = 0;
    for (const x of results) below0 += x < estimate ? 1 : x === estimate ? 0.5 : 0;
    if (below0 <= 0 || below0 >= resamples || se === 0) return undefined;
    const bias = normal.quantile(below0 / resamples);
    const shifted = (z: number): number => normal.lower(bias + (bias + z) / (1 - acceleration * (bias + z)));
    const z = normal.upperQuantile(alpha / 2);
    return cut(shifted(-z), shifted(z));
  }
}

/** How the statistic's spread changes with its size: one sixth of the skewness of the left-one-out values. */
export function jackknifeAcceleration(
  values: readonly Float64Array[],
  statistic: (groups: readonly Float64Array[]) => number,
): number {
  let cubes = 0;
  let squares = 0;
  values.forEach((group, g) => {
    const left = Array.from(group, (_, i) => {
      const without = new Float64Array(group.length - 1);
      without.set(group.subarray(0, i));
      without.set(group.subarray(i + 1), i);
      return statistic(values.map((v, k) => (k === g ? without : v)));
    });
    const centre = sum(left) / left.length;
    // Groups of different size weigh by their own n.
    for (const x of left) {
      const influence = ((group.length - 1) * (centre - x)) / group.length;
      squares += influence ** 2;
      cubes += influence ** 3;
    }
  });
  return squares === 0 ? 0 : cubes / (6 * squares ** 1.5);
}
