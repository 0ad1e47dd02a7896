import { demand } from '../numeric/domain-error';
import { random, shuffleInPlace } from '../numeric/random';
import { cellAt } from './cell-at';
import { nth } from '../numeric/nth';
import { counted } from './counted';

/** Rows drawn at random from `rows`, in the order drawn. Without replacement no row comes twice. */
export function drawRows(rows: readonly number[], n: number, replace: boolean, seed: number): number[] {
  demand(Number.isInteger(n) && n >= 1, 'Say how many rows to draw: a whole number, 1 or more.');
  demand(rows.length > 0, 'There are no rows to draw from.');
  demand(
    replace || n <= rows.length,
    `Only ${counted(rows.length, 'row')} can be drawn from: draw fewer, or put each back after it is drawn.`,
  );
  const source = random(seed);
  if (replace) return Array.from({ length: n }, () => nth(rows, source.below(rows.length)));
  const order = [...rows];
  shuffleInPlace(order, source);
  return order.slice(0, n);
}

/**
 * Allocates subjects to treatments at random.
 * - `simple`: as even as the number allows, over all subjects;
 * - `blocks`: even within each run of `block` subjects in the order given, so that the numbers stay alike all along;
 * - `strata`: even within each stratum.
 */
export interface Allocation {
  way: 'simple' | 'blocks' | 'strata';
  treatments: readonly string[];
  seed: number;
  /** Subjects in a block: a multiple of the number of treatments. */
  block?: number;
  /** The stratum of each subject, for `strata`. */
  strata?: readonly string[];
}

/** The treatment of each of `n` subjects. */
export function allocate(n: number, { way, treatments, seed, block = 0, strata = [] }: Allocation): string[] {
  const count = treatments.length;
  demand(count >= 2, 'Name at least two treatments.');
  demand(new Set(treatments).size === count, 'Two treatments have the same name.');
  demand(n >= 1, 'There are no subjects to allocate.');
  demand(
    way !== 'blocks' || (block >= count && block % count === 0),
    `A block must hold every treatment equally often: choose a multiple of ${count}.`,
  );
  const source = random(seed);
  const result = new Array<string>(n).fill('');
  const share = (subjects: readonly number[]): void => {
    // Where the number does not divide evenly, which treatments get one more is drawn too.
    const order = treatments.map((_, k) => k);
    shuffleInPlace(order, source);
    const places = subjects.map((_, i) => nth(order, i % count));
    shuffleInPlace(places, source);
    subjects.forEach((subject, i) => (result[subject] = cellAt(treatments, nth(places, i))));
  };
  const all = Array.from({ length: n }, (_, i) => i);
  if (way === 'simple') share(all);
  else if (way === 'blocks') for (let from = 0; from < n; from += block) share(all.slice(from, from + block));
  else for (const stratum of new Set(strata)) share(all.filter((i) => strata[i] === stratum));
  return result;
}
