/** Randomization tests of counts: labels are shuffled over what was found, all margins standing. */
import { hypergeometric } from '../distributions/hypergeometric';
import { sum } from '../numeric/sum';
import type { TailProbabilities } from './direction';
import { checkedTable } from './independence';
import { type Share, checkedShare } from './one-proportion';
import { random } from '../numeric/random';
import { tablesWith } from './random-table';
import { counter, dealsCount, listUpTo, shuffleTest } from './shuffle';
import { type ShuffleTest, sampledP } from './shuffle-means';
import { chiSquareOf } from './shuffle-statistics';

/**
 * Difference of two shares under shuffled labels. How many of those found fall to the first group is hypergeometric, so
 * every arrangement is counted at once; either way: a difference at least as large, whichever its sign.
 */
export function shuffleShares(first: Share, second: Share): TailProbabilities {
  const [a, b] = [checkedShare(first), checkedShare(second)];
  const found = a.successes + b.successes;
  const { from, masses } = hypergeometric(a.n, found, a.n + b.n);
  const difference = (count: number): number => count / a.n - (found - count) / b.n;
  const seen = difference(a.successes);
  const slack = 1e-12;
  const chance = (holds: (d: number) => boolean): number =>
    Math.min(1, sum(masses.filter((_, i) => holds(difference(from + i)))));
  return {
    either: chance((d) => Math.abs(d) >= Math.abs(seen) - slack),
    greater: chance((d) => d >= seen - slack),
    less: chance((d) => d <= seen + slack),
  };
}

/** Pearson's χ² of a table under shuffled labels: all arrangements while there are few, else as many as asked. */
export function shuffleTable(table: readonly (readonly number[])[], seed: number, shuffles: number): ShuffleTest {
  checkedTable(table);
  const rows = table.map((row) => sum(row));
  const columns = (table[0] ?? []).map((_, j) => sum(table.map((row) => row[j] ?? 0)));
  if (dealsCount(rows) <= listUpTo) {
    const groups = table.map((row) => row.flatMap((count, outcome) => new Array<number>(count).fill(outcome)));
    return shuffleTest(groups, chiSquareOf(columns.length), seed, shuffles);
  }
  const n = sum(rows);
  const chi2 = (cells: ArrayLike<number>): number => {
    let total = 0;
    for (let k = 0; k < cells.length; k++) {
      const expected = ((rows[Math.floor(k / columns.length)] ?? 0) * (columns[k % columns.length] ?? 0)) / n;
      total += ((cells[k] ?? 0) - expected) ** 2 / expected;
    }
    return total;
  };
  const observed = chi2(table.flat());
  const count = counter(observed);
  const next = tablesWith(rows, columns, random(seed, 1));
  for (let s = 0; s < shuffles; s++) count.see(chi2(next()));
  return { observed, method: 'sampled', arrangements: shuffles, p: count.tails(shuffles, sampledP) };
}
