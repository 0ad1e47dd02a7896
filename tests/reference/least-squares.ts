/** Least squares by Householder reflections, with columns that add nothing found and left out. */
import { demand } from '../../src/core/numeric/domain-error';

/** What fitting a model leaves over. */
export interface Fit {
  /** Sum of squared residuals. */
  residual: number;
  /** Independent columns: the model's degrees of freedom. */
  rank: number;
  /** Sum of squares each column explains after those before it; 0 for a column that adds nothing. */
  explained: number[];
}

/**
 * Fits y by columns, one after the other. Source: Householder (1958); Golub & Van Loan (2013), 5.2.
 * @param columns each of the length of y
 */
export function leastSquares(columns: readonly (readonly number[] | Float64Array)[], y: ArrayLike<number>): Fit {
  const n = y.length;
  demand(
    columns.every((c) => c.length === n),
    'The model’s columns and the readings differ in length.',
  );
  const work = columns.map((c) => Float64Array.from(c));
  const rest = Float64Array.from(y);
  const explained: number[] = [];
  let rank = 0;
  work.forEach((column, j) => {
    let whole = 0;
    for (const x of columns[j] ?? []) whole += x * x;
    let below = 0;
    for (let i = rank; i < n; i++) below += (column[i] ?? 0) ** 2;
    // What is left of the column, compared with what it was: rounding alone leaves about 1e-30 of the square.
    if (rank >= n || below <= 1e-20 * whole) {
      explained.push(0);
      return;
    }
    const pivot = column[rank] ?? 0;
    const length = pivot > 0 ? -Math.sqrt(below) : Math.sqrt(below);
    // v = x − length·e₁; reflecting by it turns the column into length·e₁.
    const reflector = column.slice(rank);
    reflector[0] = pivot - length;
    const square = 2 * (below - pivot * length);
    const reflect = (target: Float64Array): void => {
      let dot = 0;
      for (let i = 0; i < reflector.length; i++) dot += (reflector[i] ?? 0) * (target[rank + i] ?? 0);
      const factor = (2 * dot) / square;
      for (let i = 0; i < reflector.length; i++)
        target[rank + i] = (target[rank + i] ?? 0) - factor * (reflector[i] ?? 0);
    };
    for (let k = j + 1; k < work.length; k++) reflect(work[k] ?? rest);
    reflect(rest);
    explained.push((rest[rank] ?? 0) ** 2);
    rank += 1;
  });
  let residual = 0;
  for (let i = rank; i < n; i++) residual += (rest[i] ?? 0) ** 2;
  return { residual, rank, explained };
}
