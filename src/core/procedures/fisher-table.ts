import { demand } from '../numeric/domain-error';
import { random, shuffleInPlace } from '../numeric/random';
import { logGamma } from '../numeric/special';
import { sum } from '../numeric/sum';
import { checkedTable } from './independence';
import { sampledP } from './shuffle-means';

export interface FisherTable {
  method: 'exact' | 'sampled';
  p: number;
  /** Shuffles drawn, when sampled. */
  shuffles: number;
}

const logFactorial = (n: number): number => logGamma(n + 1);

/** Work an exact count may cost, in tables of one column each. */
const exactSteps = 2_000_000;

/**
 * Fisher's exact test for any r × c table with its margins fixed: the probability of all tables no more likely than the
 * one seen. Column by column, tables that leave the same row totals are continued together, so far as their
 * probabilities so far agree. Tables too large for that are sampled by shuffling the labels.
 * Source: Freeman & Halton (1951); the merging: Mehta & Patel (1983).
 */
export function fisherTable(table: readonly (readonly number[])[], seed: number, shuffles = 100_000): FisherTable {
  checkedTable(table);
  const columns = (table[0] ?? []).map((_, j) => table.map((row) => row[j] ?? 0));
  const rows = table.map((row) => sum(row));
  const total = sum(rows);
  const cellTerm = (count: number): number => -logFactorial(count);
  const seen = sum(table.flat().map(cellTerm));
  const base = sum(rows.map(logFactorial)) + sum(columns.map((c) => logFactorial(sum(c)))) - logFactorial(total);

  // State: what each row has left → probability terms reached so far, with how often.
  let states = new Map<string, Map<string, [log: number, weight: number]>>([[rows.join(), new Map([['0', [0, 1]]])]]);
  let steps = 0;
  for (const column of columns) {
    const next = new Map<string, Map<string, [number, number]>>();
    for (const [key, terms] of states) {
      const left = key.split(',').map(Number);
      const fill = (i: number, need: number, taken: number[], log: number): boolean => {
        if (i === left.length - 1) {
          if (need > (left[i] ?? 0)) return true;
          const rest = [...taken, need].map((t, k) => (left[k] ?? 0) - t);
          const target = next.get(rest.join()) ?? new Map<string, [number, number]>();
          next.set(rest.join(), target);
          for (const [before, weight] of terms.values()) {
            if (++steps > exactSteps) return false;
            const all = before + log + cellTerm(need);
            const mark = all.toFixed(9);
            const old = target.get(mark);
            if (old) old[1] += weight;
            else target.set(mark, [all, weight]);
          }
          return true;
        }
        for (let t = 0; t <= Math.min(need, left[i] ?? 0); t++)
          if (!fill(i + 1, need - t, [...taken, t], log + cellTerm(t))) return false;
        return true;
      };
      if (!fill(0, sum(column), [], 0)) return sampled(table, seed, shuffles, seen);
    }
    states = next;
  }
  const [terms] = [...states.values()];
  demand(terms !== undefined, 'The margins of the table do not fit together.');
  const p = sum(
    [...terms.values()].filter(([log]) => log <= seen + 1e-7).map(([log, weight]) => weight * Math.exp(log + base)),
  );
  return { method: 'exact', p: Math.min(1, p), shuffles: 0 };
}

function sampled(table: readonly (readonly number[])[], seed: number, shuffles: number, seen: number): FisherTable {
  const rowOf = table.flatMap((row, i) => new Array<number>(sum(row)).fill(i));
  const columnOf = table.flatMap((row) => row.flatMap((count, j) => new Array<number>(count).fill(j)));
  const width = table[0]?.length ?? 0;
  const counts = new Int32Array(table.length * width);
  const generator = random(seed, 1);
  const logs = Float64Array.from({ length: rowOf.length + 1 }, (_, n) => logFactorial(n));
  let asFar = 0;
  for (let s = 0; s < shuffles; s++) {
    shuffleInPlace(columnOf, generator);
    counts.fill(0);
    rowOf.forEach(
      (r, i) => (counts[r * width + (columnOf[i] ?? 0)] = (counts[r * width + (columnOf[i] ?? 0)] ?? 0) + 1),
    );
    let log = 0;
    for (const count of counts) log -= logs[count] ?? 0;
    if (log <= seen + 1e-7) asFar += 1;
  }
  return { method: 'sampled', p: sampledP(asFar, shuffles), shuffles };
}
