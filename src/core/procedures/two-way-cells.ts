/** A two-way layout by its cells: all that an analysis of it needs of the readings, found in one pass. */
import { there } from '../numeric/there';
import { widthOf } from '../numeric/width-of';
import { nth } from '../numeric/nth';
import { demand } from '../numeric/domain-error';
import { moments } from '../numeric/sum';
import { addTo } from '../numeric/add-to';

/** A reading under one level of each factor. */
export interface TwoWayReading {
  a: string;
  b: string;
  value: number;
}

/** The readings under one level of each factor. */
export interface TwoWayCell {
  n: number;
  /** Mean, as a distance from the mean of all readings: close means of large readings keep their digits. */
  offset: number;
  /** Sum of squared distances from the cell's mean. */
  squares: number;
}

/** Readings gathered into cells, levels in the order they come. */
export interface TwoWayCells {
  n: number;
  /** The mean of all readings. */
  mean: number;
  /** Sum of squared distances from the mean of all. */
  total: number;
  levels: { a: string[]; b: string[] };
  /** One row a level of the first factor. */
  cells: TwoWayCell[][];
}

const indexed = (names: Iterable<string>): Map<string, number> =>
  new Map([...new Set(names)].map((name, i) => [name, i]));

/** Gathers readings into cells. @throws DomainError with fewer than two levels of a factor */
export function cellsOf(readings: readonly TwoWayReading[]): TwoWayCells {
  const [rows, columns] = [indexed(readings.map((r) => r.a)), indexed(readings.map((r) => r.b))];
  demand(rows.size > 1 && columns.size > 1, 'Each factor needs at least two levels.');
  const { n, mean, deviations, sumOfSquares } = moments(readings.map((r) => r.value));
  const width = columns.size;
  const place = Int32Array.from(
    readings,
    (r) => there(rows.get(r.a), 'row') * width + there(columns.get(r.b), 'column'),
  );
  const flat = Array.from({ length: rows.size * width }, (): TwoWayCell => ({ n: 0, offset: 0, squares: 0 }));
  const each = (visit: (cell: TwoWayCell, deviation: number) => void): void =>
    place.forEach((k, i) => {
      const cell = flat[k];
      if (cell) visit(cell, nth(deviations, i));
    });
  each((cell, d) => {
    cell.n += 1;
    cell.offset += d;
  });
  for (const cell of flat) cell.offset /= cell.n || 1;
  each((cell, d) => (cell.squares += (d - cell.offset) ** 2));
  return {
    n,
    mean,
    total: sumOfSquares,
    levels: { a: [...rows.keys()], b: [...columns.keys()] },
    cells: Array.from(rows, (_, i) => flat.slice(i * width, (i + 1) * width)),
  };
}

/** The same with the factors exchanged. */
export const transposed = <T>(rows: readonly (readonly T[])[]): T[][] =>
  (rows[0] ?? []).map((_, j) => rows.flatMap((row) => row[j] ?? []));

/** The additive model's mean of each cell, and how many unknowns it could be fitted with. */
export interface AdditiveFit {
  fitted: number[][];
  rank: number;
}

/** Parts of the layout that share no level: within each, levels can be compared. */
function components(weights: readonly (readonly number[])[]): { of: Int32Array; count: number } {
  const width = widthOf(weights);
  const of = new Int32Array(width).fill(-1);
  let count = 0;
  for (let start = 0; start < width; start++) {
    if (nth(of, start) >= 0) continue;
    const todo = [start];
    of[start] = count;
    for (let j = todo.pop(); j !== undefined; j = todo.pop())
      for (const row of weights)
        if (nth(row, j) > 0)
          row.forEach((w, k) => {
            if (w > 0 && nth(of, k) < 0) {
              of[k] = count;
              todo.push(k);
            }
          });
    count += 1;
  }
  return { of, count };
}

/** Solves a symmetric positive definite system in place, by elimination. */
function solve(matrix: number[][], right: number[]): number[] {
  const n = right.length;
  for (let j = 0; j < n; j++) {
    const pivotRow = matrix[j] ?? [];
    const pivot = pivotRow[j] ?? 1;
    for (let i = j + 1; i < n; i++) {
      const row = matrix[i] ?? [];
      const factor = nth(row, j) / pivot;
      if (factor === 0) continue;
      for (let k = j; k < n; k++) addTo(row, k, -factor * nth(pivotRow, k));
      addTo(right, i, -factor * nth(right, j));
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let j = n - 1; j >= 0; j--) {
    const row = matrix[j] ?? [];
    let rest = nth(right, j);
    for (let k = j + 1; k < n; k++) rest -= nth(row, k) * nth(x, k);
    x[j] = rest / (row[j] ?? 1);
  }
  return x;
}

/**
 * Fits cell means by a mean, a part of the row and a part of the column, cells weighing as much as they have readings:
 * the factor with more levels is eliminated, so that the system to be solved has one unknown a level of the other.
 * Source: Yates (1934).
 */
export function additiveFit(cells: readonly (readonly TwoWayCell[])[]): AdditiveFit {
  if (cells.length < widthOf(cells)) {
    const { fitted, rank } = additiveFit(transposed(cells));
    return { fitted: transposed(fitted), rank };
  }
  const weights = cells.map((row) => row.map((c) => c.n));
  const width = widthOf(weights);
  const { of, count } = components(weights);
  // In each part one level's unknown is 0.
  const free = Array.from(of, (part, j) => (of.indexOf(part) === j ? -1 : j)).filter((j) => j >= 0);
  const rowTotals = weights.map((row) => row.reduce((s, w) => s + w, 0));
  const at = (rows: readonly (readonly number[])[], i: number, j: number): number => nth(nth(rows, i), j);
  /** The fit of values given as weighted: their rows' and columns' parts. */
  const fit = (values: readonly (readonly number[])[]): number[][] => {
    const rowMeans = values.map(
      (row, i) => row.reduce((s, v, j) => s + at(weights, i, j) * v, 0) / (rowTotals[i] ?? 1),
    );
    const right = free.map((j) =>
      values.reduce((s, row, i) => s + at(weights, i, j) * (nth(row, j) - nth(rowMeans, i)), 0),
    );
    const matrix = free.map((j) =>
      free.map((k) =>
        weights.reduce((s, row, i) => {
          const wj = nth(row, j);
          return wj === 0 ? s : s + wj * ((j === k ? 1 : 0) - nth(row, k) / (rowTotals[i] ?? 1));
        }, 0),
      ),
    );
    const column = new Array<number>(width).fill(0);
    solve(matrix, right).forEach((x, k) => (column[nth(free, k)] = x));
    return values.map((_, i) => {
      const own = nth(rowMeans, i) - column.reduce((s, c, j) => s + at(weights, i, j) * c, 0) / (rowTotals[i] ?? 1);
      return column.map((c) => own + c);
    });
  };
  const means = cells.map((row) => row.map((c) => c.offset));
  const first = fit(means);
  // What the first solution missed by rounding, added.
  const missed = fit(means.map((row, i) => row.map((m, j) => m - at(first, i, j))));
  return {
    fitted: first.map((row, i) => row.map((f, j) => f + at(missed, i, j))),
    rank: cells.length + width - count,
  };
}
