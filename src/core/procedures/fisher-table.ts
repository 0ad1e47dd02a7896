import { nth } from '../numeric/nth';
import { random } from '../numeric/random';
import { sum } from '../numeric/sum';
import { checkedTable } from './independence';
import { logFactorials, tablesWith } from './random-table';
import { sampledP } from './shuffle-means';

export interface FisherTable {
  method: 'exact' | 'sampled';
  p: number;
  /** Tables drawn, when sampled. */
  tables: number;
}

/** Cells an exact count may fill: a tenth of a second. */
const exactSteps = 2_000_000;

/**
 * Fisher's exact test for any r × c table with its margins fixed: the probability of all tables no more likely than the
 * one seen, filled cell by cell. Where there are too many, tables with the same margins are drawn at random.
 * Source: Freeman & Halton (1951).
 */
export function fisherTable(table: readonly (readonly number[])[], seed: number, tables = 20_000): FisherTable {
  checkedTable(table);
  const rows = table.map((row) => sum(row));
  const columns = (table[0] ?? []).map((_, j) => sum(table.map((row) => nth(row, j))));
  // The lines of the longer side are filled one after the other; the largest comes last, for it is what remains.
  const [lines, left] = rows.length <= columns.length ? [columns, [...rows]] : [rows, [...columns]];
  const order = [...lines].sort((a, b) => a - b);
  const logs = logFactorials(sum(rows));
  const at = (n: number): number => nth(logs, n);
  const seen = -sum(table.flat().map(at));
  const base = sum(rows.map(at)) + sum(columns.map(at)) - at(sum(rows));
  const width = left.length;
  const final = order.length - 1;
  let steps = 0;
  let p = 0;
  /** Fills cell `i` and those after it, `need` being left of the line and `later` what cells after `i` can hold. */
  const fill = (line: number, i: number, need: number, later: number, log: number): boolean => {
    if (line === final) {
      let all = log;
      for (const rest of left) all -= at(rest);
      if (all <= seen + 1e-7) p += Math.exp(all + base);
      return (steps += width) <= exactSteps;
    }
    const room = nth(left, i);
    const alone = i === width - 1;
    const most = Math.min(need, room);
    const rest = alone ? 0 : later - nth(left, i + 1);
    for (let t = Math.max(0, need - later); t <= most; t++) {
      left[i] = room - t;
      const next = alone ? line + 1 : line;
      const on = alone
        ? fill(next, 0, nth(order, next), laterThan(0), log - at(t))
        : fill(line, i + 1, need - t, rest, log - at(t));
      if (!on) return false;
    }
    left[i] = room;
    return (steps += 1) <= exactSteps;
  };
  const laterThan = (i: number): number => {
    let room = 0;
    for (let k = i + 1; k < width; k++) room += nth(left, k);
    return room;
  };
  if (!fill(0, 0, nth(order, 0), laterThan(0), 0)) return sampled(table, seed, tables, seen);
  return { method: 'exact', p: Math.min(1, p), tables: 0 };
}

function sampled(table: readonly (readonly number[])[], seed: number, tables: number, seen: number): FisherTable {
  const rows = table.map((row) => sum(row));
  const columns = (table[0] ?? []).map((_, j) => sum(table.map((row) => nth(row, j))));
  const next = tablesWith(rows, columns, random(seed, 1));
  const logs = logFactorials(sum(rows));
  let asFar = 0;
  for (let s = 0; s < tables; s++) {
    let log = 0;
    for (const count of next()) log -= nth(logs, count);
    if (log <= seen + 1e-7) asFar += 1;
  }
  return { method: 'sampled', p: sampledP(asFar, tables), tables };
}
