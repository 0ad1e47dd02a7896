import type { Incoming } from './seen';
import { asCategories, asCounts } from './as-counts';
import { asFigures } from './as-figures';
import { asCases, asColumns, asGrid, asRepeated } from './as-groups';
import { type Interpretation, type Looked, interpretation } from './interpretation';
import { wholeRows } from './lost-names';
import { partsOf } from './parts';
import { look } from './seen';

/** Looks at columns, and tells what each would be if every row were a case. */
function lookedAt(incoming: readonly Incoming[]): Looked {
  const columns = wholeRows(incoming).map(look);
  return { columns, parts: partsOf(columns), rows: Math.max(0, ...columns.map((c) => c.cells.length)) };
}

/**
 * The ways to read a table, the likeliest first: each layout that its columns allow, with the role each column has then
 * and the evidence for and against. Every part of it can be changed by the person, and nothing is lost when it is wrong.
 */
export function interpretations(incoming: readonly Incoming[]): Interpretation[] {
  const looked = lookedAt(incoming);
  const found = [asFigures, asCounts, asCategories, asColumns, asRepeated, asGrid, asCases].flatMap((as) => as(looked));
  if (found.length === 0)
    found.push(
      interpretation(
        'columns',
        looked.columns.map(() => 'measure'),
        [],
      ),
    );
  return found.sort((a, b) => b.weight - a.weight);
}

/** How close the second way to read a table must come to be shown beside the first. */
const close = 1.25;

/** The best way to read a table, and those that come close. */
export function recognise(incoming: readonly Incoming[]): { best: Interpretation; others: Interpretation[] } {
  const [best = interpretation('columns', [], []), ...rest] = interpretations(incoming);
  return {
    best,
    others: rest.filter((o) => o.weight > 2.5 && best.weight - o.weight < close && o.shape !== best.shape).slice(0, 2),
  };
}
