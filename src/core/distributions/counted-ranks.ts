/**
 * Exact distributions of rank sums over all arrangements, ties included: arrangements that come to the same sums are
 * counted together, never listed. Source: the network method of Mehta & Patel (1983), for sums.
 */
import { widthOf } from '../numeric/width-of';
import { nth } from '../numeric/nth';
import { tally } from '../numeric/tally';

/** How many arrangements come to these sums. */
export interface Ways<T> {
  sums: T;
  ways: number;
}

/** Arrangements up to this many are counted; with more the approximations are close, and a count would be felt. */
const most = 1_000_000;

/** n!, for the few n that arrangements of so few have. */
const factorial = (n: number): number => (n < 2 ? 1 : n * factorial(n - 1));

/**
 * Rank sums of groups over every way to give the ranks to groups of these sizes; undefined where there are too many.
 * @param ranks doubled, so that shared ranks are whole numbers
 */
export function groupRankSums(ranks: readonly number[], sizes: readonly number[]): Ways<number[]>[] | undefined {
  const total = ranks.reduce((s, r) => s + r, 0);
  const k = sizes.length;
  if (ranks.length > 60 || sizes.reduce((ways, size) => ways / factorial(size), factorial(ranks.length)) > most)
    return undefined;
  // A state is how many ranks each group but the last has, and their sums, as digits of one number.
  const radix = sizes.slice(0, -1).flatMap((size) => [size + 1, total + 1]);
  const place = radix.map((_, i) => radix.slice(0, i).reduce((p, r) => p * r, 1));
  if (radix.reduce((p, r) => p * r, 1) > Number.MAX_SAFE_INTEGER) return undefined;
  const digit = (state: number, i: number): number => Math.floor(state / (place[i] ?? 1)) % (radix[i] ?? 1);
  let states = new Map<number, number>([[0, 1]]);
  for (const [permuted, rank] of ranks.entries()) {
    const next = new Map<number, number>();
    for (const [state, ways] of states) {
      let used = 0;
      for (let g = 0; g < k - 1; g++) {
        const own = digit(state, 2 * g);
        used += own;
        if (own === sizes[g]) continue;
        const to = state + nth(place, 2 * g) + rank * nth(place, 2 * g + 1);
        tally(next, to, ways);
      }
      if (permuted - used < nth(sizes, k - 1)) tally(next, state, ways);
    }
    states = next;
  }
  return Array.from(states, ([state, ways]) => {
    const sums = sizes.slice(0, -1).map((_, g) => digit(state, 2 * g + 1));
    return { sums: [...sums, total - sums.reduce((s, x) => s + x, 0)], ways };
  });
}

/** Every order of a list, orders that look alike once. */
function orders(values: readonly number[]): number[][] {
  if (values.length === 0) return [[]];
  return [...new Set(values)].flatMap((first) => {
    const rest = [...values];
    rest.splice(rest.indexOf(first), 1);
    return orders(rest).map((order) => [first, ...order]);
  });
}

/**
 * Rank sums of conditions over every way to order the ranks within each subject, sums in order of size, for which
 * condition has which does not matter to a test of all; undefined where there are too many.
 * @param rows each subject's ranks, doubled
 */
export function conditionRankSums(rows: readonly (readonly number[])[]): Ways<number[]>[] | undefined {
  const k = widthOf(rows);
  // Which subject comes first does not matter: its order may stay.
  if (k > 9 || factorial(k) ** (rows.length - 1) > most) return undefined;
  let states = new Map<string, Ways<number[]>>([['', { sums: new Array<number>(k).fill(0), ways: 1 }]]);
  for (const row of rows) {
    const all = orders(row);
    const next = new Map<string, Ways<number[]>>();
    for (const { sums, ways } of states.values())
      for (const order of all) {
        const made = sums.map((s, j) => s + nth(order, j)).sort((x, y) => x - y);
        const key = made.join();
        const before = next.get(key);
        if (before) before.ways += ways / all.length;
        else next.set(key, { sums: made, ways: ways / all.length });
      }
    states = next;
  }
  return [...states.values()];
}
