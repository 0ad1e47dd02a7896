/**
 * The restricted likelihood of readings within samples (Patterson & Thompson, 1971), from sums over samples: samples alike
 * in size and design count together.
 */
import { backward, factored, forward } from '../numeric/cholesky';
import { demand } from '../numeric/domain-error';

/** Samples alike in size and design: what the likelihood needs of them. */
export interface Pattern {
  count: number;
  n: number;
  /** Σ of the design's rows over the sample's readings. */
  x: Float64Array;
  /** Σ over the samples of the sums of readings, and of their squares. */
  total: number;
  squares: number;
}

export interface Sums {
  patterns: Pattern[];
  readings: number;
  samples: number;
  /** How many coefficients the design has. */
  coefficients: number;
  /** Cross products within samples: of the design's columns, by rows, and of these with the readings. */
  xx: Float64Array;
  xy: Float64Array;
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
  const [xx, xy] = [new Float64Array(p * p), new Float64Array(p)];
  let yy = 0;
  const own = new Float64Array(p);
  for (let i = 0; i < values.length; i++) {
    const s = sample[i]!;
    const dy = values[i]! - y[s]! / n[s]!;
    yy += dy * dy;
    for (let j = 0; j < p; j++) own[j] = columns[j]![i]! - x[j]![s]! / n[s]!;
    for (let j = 0; j < p; j++) {
      if (own[j] === 0) continue;
      xy[j]! += own[j]! * dy;
      for (let k = 0; k < p; k++) xx[j * p + k]! += own[j]! * own[k]!;
    }
  }
  const patterns = new Map<string, Pattern>();
  for (let s = 0; s < count; s++) {
    const row = x.map((column) => column[s]!);
    const key = `${n[s]!} ${row.join(' ')}`;
    let pattern = patterns.get(key);
    if (!pattern) {
      pattern = { count: 0, n: n[s]!, x: Float64Array.from(row), total: 0, squares: 0 };
      patterns.set(key, pattern);
    }
    pattern.count += 1;
    pattern.total += y[s]!;
    pattern.squares += y[s]! ** 2;
  }
  return { patterns: [...patterns.values()], readings: values.length, samples: count, coefficients: p, xx, xy, yy };
}

/** Σ over samples of weight(n)·xxᵀ, added to a matrix by rows. */
export function addWeighted(
  into: Float64Array,
  { patterns, coefficients: p }: Sums,
  weight: (n: number) => number,
): Float64Array {
  for (const { count, n, x } of patterns) {
    const w = count * weight(n);
    for (let i = 0; i < p; i++) {
      if (x[i] === 0) continue;
      for (let j = 0; j < p; j++) into[i * p + j]! += w * x[i]! * x[j]!;
    }
  }
  return into;
}

const inner = (a: Float64Array, b: Float64Array): number => {
  let s = 0;
  for (let i = 0; i < a.length; i++) s += a[i]! * b[i]!;
  return s;
};

export interface Profile {
  logLikelihood: number;
  /** Its slope in the ratio. */
  slope: number;
  coefficients: Float64Array;
  /** σ²_w that is likeliest at this ratio. */
  variance: number;
  /** Weighted residual sum of squares, and log determinants, for the likelihood at any σ²_w. */
  residual: number;
  determinants: number;
}

/** The restricted likelihood at a ratio σ²_b/σ²_w, the rest at its likeliest. */
export function profile(sums: Sums, ratio: number): Profile {
  const { coefficients: p, patterns, xx, xy } = sums;
  const share = (n: number): number => 1 / (1 + n * ratio);
  const l = factored(
    addWeighted(new Float64Array(xx), sums, (n) => share(n) / n),
    p,
  );
  demand(l !== undefined, 'Groups and samples go together in such a way that no group has a mean of its own.');
  const right = new Float64Array(xy);
  for (const { n, x, total } of patterns) for (let i = 0; i < p; i++) right[i]! += (x[i]! * total * share(n)) / n;
  const coefficients = backward(l, forward(l, right));
  let residual = sums.yy - 2 * inner(coefficients, xy);
  for (let i = 0; i < p; i++)
    for (let j = 0; j < p; j++) residual += coefficients[i]! * xx[i * p + j]! * coefficients[j]!;
  let [falling, determinants, growth, shrunk] = [0, 0, 0, 0];
  for (const { count, n, x, total, squares } of patterns) {
    const fitted = inner(x, coefficients);
    const own = Math.max(0, squares - 2 * fitted * total + count * fitted ** 2);
    residual += (own * share(n)) / n;
    falling += own * share(n) ** 2;
    determinants += count * Math.log1p(n * ratio);
    growth += count * n * share(n);
    const root = forward(l, x);
    shrunk += count * share(n) ** 2 * inner(root, root);
  }
  for (let j = 0; j < p; j++) determinants += 2 * Math.log(l[j * p + j]!);
  const df = sums.readings - p;
  return {
    logLikelihood: -(df * Math.log(residual / df) + determinants) / 2,
    slope: -(growth - shrunk - (df * falling) / residual) / 2,
    coefficients,
    variance: residual / df,
    residual,
    determinants,
  };
}
/* eslint-enable @typescript-eslint/no-non-null-assertion */
