/** Counts of so many in a grid, "12/20" under each site for each lamp: a row each, with what it is out of. */
import { sum } from 'd3-array';
import { shareCell } from '../readings/share-cell';
import { cellAt, textAt } from '../readings/cell-at';
import { countWithPercent, isWrittenOut, totalOf } from './counts-with-percent';

type Rows = readonly (readonly string[])[];

/** Rows and columns of a grid at most. */
const most = 40;

/** Whether percentages add up to a whole. */
const isWhole = (percents: readonly number[]): boolean => percents.length > 1 && Math.abs(sum(percents) - 100) < 1.5;

/** A block of such a grid with a row for each cell; undefined of any other. */
export function sharesInGrid(block: Rows): string[][] | undefined {
  const [head = [], ...body] = block.filter((row) => row.some((cell) => cell.trim() !== ''));
  const width = head.length - 1;
  // What is counted of the same subjects has columns of its own.
  if (head.some((name) => isWrittenOut.test(name))) return undefined;
  if (width < 2 || body.length < 2 || width > most || body.length > most) return undefined;
  if (body.some((row) => textAt(row, 0) === '' || shareCell(cellAt(row, 0)))) return undefined;
  const grid = body.map((row) => Array.from({ length: width }, (_, k) => textAt(row, k + 1)));
  const percents = grid.map((row) => row.flatMap((cell) => countWithPercent(cell)?.percent ?? []));
  // Percentages of a row or a column that make a whole are of its total.
  const ofTotals =
    percents.some(isWhole) || head.slice(1).some((_, k) => isWhole(percents.flatMap((row) => row[k] ?? [])));
  const shares = grid.map((row) =>
    row.map((cell) => {
      const part = ofTotals ? undefined : countWithPercent(cell);
      const total = part ? Number(totalOf(part)) : 0;
      return shareCell(cell) ?? (part && total > 0 ? { count: part.count, n: total } : undefined);
    }),
  );
  if (!shares.every((row) => row.every((share) => share !== undefined && share.n > 0 && share.count <= share.n)))
    return undefined;
  return [
    ['group', 'stratum', 'found', 'n'],
    ...head.slice(1).flatMap((name, k) =>
      body.map((row, i) => {
        const share = shares[i]?.[k];
        return [textAt(row, 0), name.trim(), String(share?.count ?? ''), String(share?.n ?? '')];
      }),
    ),
  ];
}
