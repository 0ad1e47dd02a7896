import { decimalScale } from './decimals';
import { random } from './random';
import { sortedUp } from './quantile';

/** Sums of pairs in order of size, without a list of them. */
export interface PairSums {
  /** How many pairs there are. */
  count: number;
  /** The sum of rank k, from 0. */
  at: (k: number) => number;
  /** The middle sum, or the mean of the middle two. */
  median: () => number;
}

/** So few sums as are sorted rather than divided further. */
const few = 4000;

/** Sums drawn to guess where the one wanted lies, and how far to either side of the guess it is looked for. */
const drawn = 2000;
const margin = 80;

/**
 * Selection among the sums x + z of two sorted lists: each row of the table of sums is narrowed to what lies between two
 * sums of a sample, a little below and above where the one wanted should be, until few are left. Expected time
 * O(n log n), memory O(n). Source: Johnson & Mizoguchi (1978) for the rows; Floyd & Rivest (1975) for the sample.
 * @param triangle only pairs whose second is not before the first, for averages of a list with itself
 */
function selection(x: Float64Array, z: Float64Array, triangle: boolean): PairSums {
  const [n, m] = [x.length, z.length];
  const count = triangle ? (n * (n + 1)) / 2 : n * m;
  /* eslint-disable @typescript-eslint/no-non-null-assertion -- indices lie within the arrays */
  const at = (k: number): number => {
    const { uniform } = random(1);
    const low = Int32Array.from(x, (_, i) => (triangle ? i : 0));
    const high = new Int32Array(n).fill(m);
    const [less, most] = [new Int32Array(n), new Int32Array(n)];
    const [picks, sample] = [new Float64Array(drawn), new Float64Array(drawn)];
    let left = count;
    let rank = k;
    let upwards = false;
    while (left > few) {
      for (let s = 0; s < drawn; s++) picks[s] = Math.floor(uniform() * left);
      picks.sort();
      for (let s = 0, row = 0, before = 0; s < drawn; s++) {
        while (picks[s]! - before >= high[row]! - low[row]!) before += high[row]! - low[row++]!;
        sample[s] = x[row]! + z[low[row]! + picks[s]! - before]!;
      }
      sample.sort();
      upwards = !upwards;
      const guess = Math.round((rank / left) * drawn) + (upwards ? -margin : margin);
      const pivot = sample[Math.min(drawn - 1, Math.max(0, guess))]!;
      let [below, within] = [0, 0];
      for (let i = 0, j = m, t = m; i < n; i++) {
        while (j > 0 && x[i]! + z[j - 1]! >= pivot) j -= 1;
        while (t > 0 && x[i]! + z[t - 1]! > pivot) t -= 1;
        less[i] = Math.min(high[i]!, Math.max(low[i]!, j));
        most[i] = Math.min(high[i]!, Math.max(low[i]!, t));
        below += less[i]! - low[i]!;
        within += most[i]! - low[i]!;
      }
      if (rank < below) {
        high.set(less);
        left = below;
      } else if (rank < within) return pivot;
      else {
        low.set(most);
        rank -= within;
        left -= within;
      }
    }
    const rest = new Float64Array(left);
    let to = 0;
    for (let i = 0; i < n; i++) for (let j = low[i]!; j < high[i]!; j++) rest[to++] = x[i]! + z[j]!;
    return rest.sort()[rank]!;
  };
  /* eslint-enable @typescript-eslint/no-non-null-assertion */
  return {
    count,
    at,
    median: () => (count % 2 === 1 ? at((count - 1) / 2) : (at(count / 2 - 1) + at(count / 2)) / 2),
  };
}

const scaled = (sums: PairSums, by: number): PairSums => ({
  count: sums.count,
  at: (k) => sums.at(k) / by,
  median: () => sums.median() / by,
});

/** Every difference of a value of the first list and one of the second; of decimals, the decimals they come to. */
export function allDifferences(a: readonly number[], b: readonly number[]): PairSums {
  const scale = decimalScale([...a, ...b]);
  const as = (v: number): number => (scale === undefined ? v : Math.round(v * scale));
  return scaled(selection(sortedUp(a.map(as)), sortedUp(b.map((v) => -as(v))), false), scale ?? 1);
}

/** Every average of two values of a list, each value with itself too (Walsh, 1949). */
export function allAverages(values: readonly number[]): PairSums {
  const scale = decimalScale(values);
  const sorted = sortedUp(values.map((v) => (scale === undefined ? v : Math.round(v * scale))));
  return scaled(selection(sorted, sorted, true), 2 * (scale ?? 1));
}
