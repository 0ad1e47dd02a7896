/**
 * The restricted likelihood of readings within samples (Patterson & Thompson, 1971), from sums over samples: samples alike
 * in size and design count together.
 */
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { demand } from '../numeric/domain-error';

/** Samples alike in size and design: what the likelihood needs of them. */
export interface Pattern {
  count: number;
  n: number;
  /** Σ of the design's rows over the sample's readings. */
  x: Matrix;
  xx: Matrix;
  /** Σ over the samples of the sums of readings, and of their squares. */
  total: number;
  squares: number;
}

export interface Sums {
  patterns: Pattern[];
  readings: number;
  samples: number;
  /** Cross products within samples. */
  xx: Matrix;
  xy: Matrix;
  yy: number;
}

/* eslint-disable @typescript-eslint/no-non-null-assertion -- indices lie within the arrays, and there may be a hundred thousand */

/** @param columns the design, a column for each coefficient */
export function gather(
  values: readonly number[],
  columns: readonly (readonly number[])[],
  sample: readonly number[],
): Sums {
  const p = columns.length;
  const count = sample.reduce((most, s) => Math.max(most, s + 1), 0);
  const n = new Float64Array(count);
  const y = new Float64Array(count);
  const x = columns.map(() => new Float64Array(count));
  for (let i = 0; i < values.length; i++) {
    const s = sample[i]!;
    n[s]! += 1;
    y[s]! += values[i]!;
    for (let j = 0; j < p; j++) x[j]![s]! += columns[j]![i]!;
  }
  const [xx, xy] = [Matrix.zeros(p, p), Matrix.zeros(p, 1)];
  let yy = 0;
  const own = new Float64Array(p);
  for (let i = 0; i < values.length; i++) {
    const s = sample[i]!;
    const dy = values[i]! - y[s]! / n[s]!;
    yy += dy * dy;
    for (let j = 0; j < p; j++) own[j] = columns[j]![i]! - x[j]![s]! / n[s]!;
    for (let j = 0; j < p; j++) {
      if (own[j] === 0) continue;
      xy.set(j, 0, xy.get(j, 0) + own[j]! * dy);
      for (let k = 0; k < p; k++) xx.set(j, k, xx.get(j, k) + own[j]! * own[k]!);
    }
  }
  const patterns = new Map<string, Pattern>();
  for (let s = 0; s < count; s++) {
    const row = x.map((column) => column[s]!);
    const key = `${n[s]!} ${row.join(' ')}`;
    let pattern = patterns.get(key);
    if (!pattern) {
      const of = Matrix.columnVector(row);
      pattern = { count: 0, n: n[s]!, x: of, xx: of.mmul(of.transpose()), total: 0, squares: 0 };
      patterns.set(key, pattern);
    }
    pattern.count += 1;
    pattern.total += y[s]!;
    pattern.squares += y[s]! ** 2;
  }
  return { patterns: [...patterns.values()], readings: values.length, samples: count, xx, xy, yy };
}
/* eslint-enable @typescript-eslint/no-non-null-assertion */

/** Σ over samples of weight(n)·xx. */
export function weighted({ patterns }: Sums, p: number, weight: (n: number) => number): Matrix {
  const all = Matrix.zeros(p, p);
  for (const { count, n, xx } of patterns) all.add(Matrix.mul(xx, count * weight(n)));
  return all;
}

/** A symmetric matrix factored; what rounding left of asymmetry is taken off. */
export const cholesky = (a: Matrix): CholeskyDecomposition =>
  new CholeskyDecomposition(Matrix.add(a, a.transpose()).mul(0.5));

export const trace = (a: Matrix, b: Matrix): number => Matrix.mul(a, b.transpose()).sum();

export interface Profile {
  logLikelihood: number;
  /** Its slope in the ratio. */
  slope: number;
  coefficients: Matrix;
  /** σ²_w that is likeliest at this ratio. */
  variance: number;
  /** Weighted residual sum of squares, and log determinants, for the likelihood at any σ²_w. */
  residual: number;
  determinants: number;
}

/** The restricted likelihood at a ratio σ²_b/σ²_w, the rest at its likeliest. */
export function profile(sums: Sums, ratio: number): Profile {
  const p = sums.xx.rows;
  const share = (n: number): number => 1 / (1 + n * ratio);
  const information = Matrix.add(
    sums.xx,
    weighted(sums, p, (n) => share(n) / n),
  );
  const solved = cholesky(information);
  demand(
    solved.isPositiveDefinite(),
    'Groups and samples go together in such a way that no group has a mean of its own.',
  );
  const right = sums.xy.clone();
  for (const { n, x, total } of sums.patterns) right.add(Matrix.mul(x, (total * share(n)) / n));
  const coefficients = solved.solve(right);
  const inner = (a: Matrix, b: Matrix): number => Matrix.mul(a, b).sum();
  let residual = sums.yy - 2 * inner(coefficients, sums.xy) + inner(coefficients, sums.xx.mmul(coefficients));
  let falling = 0;
  let determinants = 0;
  let growth = 0;
  for (const { count, n, x, total, squares } of sums.patterns) {
    const fitted = inner(x, coefficients);
    const own = Math.max(0, squares - 2 * fitted * total + count * fitted ** 2);
    residual += (own * share(n)) / n;
    falling += own * share(n) ** 2;
    determinants += count * Math.log1p(n * ratio);
    growth += count * n * share(n);
  }
  const factor = solved.lowerTriangularMatrix;
  for (let j = 0; j < p; j++) determinants += 2 * Math.log(factor.get(j, j));
  const shrink = weighted(sums, p, (n) => share(n) ** 2);
  const df = sums.readings - p;
  return {
    logLikelihood: -(df * Math.log(residual / df) + determinants) / 2,
    slope: -(growth - trace(solved.solve(Matrix.eye(p)), shrink) - (df * falling) / residual) / 2,
    coefficients,
    variance: residual / df,
    residual,
    determinants,
  };
}
