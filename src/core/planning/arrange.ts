/** Treatments over the places of a plate or a bench of tanks, each row and each column holding them as evenly as can be. */
import { demand } from '../numeric/domain-error';
import { random, shuffleInPlace } from '../numeric/random';
import { nth } from '../numeric/nth';

/**
 * A grid in which every treatment comes equally often in each row and each column, as far as their numbers allow: what
 * differs from row to row or from column to column then falls on all alike. Rows, columns and names of a cyclic square are
 * put in random order. Source: Fisher and Yates (1938), after Latin squares.
 * @param blocked whether rows and columns are kept even, or places are permuted freely
 * @throws DomainError where there is nothing to lay out
 */
export function arrange(
  rows: number,
  columns: number,
  treatments: readonly string[],
  seed: number,
  blocked = true,
): string[][] {
  const count = treatments.length;
  demand(
    Number.isInteger(rows) && Number.isInteger(columns) && rows >= 1 && columns >= 1,
    'A layout has whole numbers of rows and columns, one at least.',
  );
  demand(rows * columns <= 10_000, 'A layout has 10,000 places at most.');
  demand(count >= 2, 'Name at least two treatments.');
  demand(new Set(treatments).size === count, 'Two treatments have the same name.');
  demand(rows * columns >= count, `There are ${count} treatments and only ${rows * columns} places.`);
  const source = random(seed);
  const order = (n: number): number[] => {
    const all = Array.from({ length: n }, (_, i) => i);
    shuffleInPlace(all, source);
    return all;
  };
  const names = order(count);
  if (!blocked) {
    const places = Array.from({ length: rows * columns }, (_, i) => nth(names, i % count));
    shuffleInPlace(places, source);
    return Array.from({ length: rows }, (_, r) =>
      Array.from({ length: columns }, (_, c) => nth(treatments, nth(places, r * columns + c))),
    );
  }
  const [byRow, byColumn] = [order(rows), order(columns)];
  return byRow.map((r) => byColumn.map((c) => nth(treatments, nth(names, (r + c) % count))));
}
