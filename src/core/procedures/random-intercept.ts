import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { chiSquare } from '../distributions/chi-square';
import { fisherF } from '../distributions/f';
import { demand } from '../numeric/domain-error';
import { findZero } from '../numeric/solve';
import { sum } from '../numeric/sum';
import { type Interval, checkedLevel } from './interval';
import { type TTest, tTest } from './t-test';

/**
 * Readings within samples, each sample with an offset of its own: y = Xβ + u + e, u with variance σ²_b between samples,
 * e with σ²_w within them. By restricted maximum likelihood (Patterson & Thompson, 1971); the covariance within a sample
 * may be negative as far as the readings' covariance stays positive definite, so that balanced data give the classical
 * nested test whatever they are. Tests and intervals of means after Kenward & Roger (1997), with expected information.
 *
 * Everything is worked out of sums over samples: samples of one size and one design count together, so that a hundred
 * thousand readings cost little more than their reading.
 */
export interface RandomIntercept {
  /** Means, or other coefficients, in the order of the design's columns. */
  coefficients: readonly number[];
  /** How many readings, and samples. */
  readings: number;
  samples: number;
  within: number;
  /** May be negative: readings of one sample are then less alike than those of different ones. */
  between: number;
  /** Intraclass correlation σ²_b / (σ²_b + σ²_w). */
  icc: number;
  /** Intervals of these. */
  intervals: (level: number) => { within: Interval; between: Interval; icc: Interval };
  /** A weighted sum of the coefficients, tested against 0. */
  effect: (weights: readonly number[], level: number) => TTest;
  /** Whether all of these weighted sums are 0. @param rows linearly independent weights */
  test: (rows: readonly (readonly number[])[]) => WaldF;
}

export interface WaldF {
  f: number;
  df1: number;
  df2: number;
  p: number;
}

/** Why the model has no answer: the likelihood rises to the end of what is possible. */
const noOptimum =
  'The likelihood of the two variances has no greatest value inside what is possible: there are too few samples.';

/** Samples alike in size and design: what the likelihood needs of them. */
interface Pattern {
  count: number;
  n: number;
  /** Σ of the design's rows over the sample's readings. */
  x: Matrix;
  xx: Matrix;
  /** Σ over the samples of the sums of readings, and of their squares. */
  total: number;
  squares: number;
}

interface Sums {
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
function gather(values: readonly number[], columns: readonly (readonly number[])[], sample: readonly number[]): Sums {
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
function weighted({ patterns }: Sums, p: number, weight: (n: number) => number): Matrix {
  const all = Matrix.zeros(p, p);
  for (const { count, n, xx } of patterns) all.add(Matrix.mul(xx, count * weight(n)));
  return all;
}

/** A symmetric matrix factored; what rounding left of asymmetry is taken off. */
const cholesky = (a: Matrix): CholeskyDecomposition => new CholeskyDecomposition(Matrix.add(a, a.transpose()).mul(0.5));

/** Degrees of freedom that are a whole number but for rounding are that number. */
const whole = (df: number): number => (Math.abs(df - Math.round(df)) < 1e-9 * df ? Math.round(df) : df);

const trace = (a: Matrix, b: Matrix): number => Matrix.mul(a, b.transpose()).sum();

interface Profile {
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
function profile(sums: Sums, ratio: number): Profile {
  const p = sums.xx.rows;
  const share = (n: number): number => 1 / (1 + n * ratio);
  const information = Matrix.add(
    sums.xx,
    weighted(sums, p, (n) => share(n) / n),
  );
  const solved = cholesky(information);
  demand(solved.isPositiveDefinite(), 'The groups cannot be told apart from the samples: each group needs its own.');
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

/** The ratios looked through for the likeliest: closely, from the least that is possible up. */
function ratios(largest: number): number[] {
  const least = -1 / largest;
  return Array.from({ length: 121 }, (_, i) => least + Math.exp(-15 + i / 4));
}

/**
 * Fits the model.
 * @param columns the design: a column for each coefficient, each as long as the values
 * @param sample which sample each reading is of, counted from 0 without gaps
 * @throws DomainError where every sample has one reading, or the likelihood has no inner maximum
 */
export function randomIntercept(
  given: readonly number[],
  columns: readonly (readonly number[])[],
  sample: readonly number[],
): RandomIntercept {
  const p = columns.length;
  // Near zero, so that products of sums keep their digits; the means are moved back afterwards.
  const centre = sum(given) / given.length;
  const sums = gather(
    given.map((y) => y - centre),
    columns,
    sample,
  );
  const { samples } = sums;
  const largest = sums.patterns.reduce((most, { n }) => Math.max(most, n), 0);
  demand(largest > 1, 'Every sample has one reading: then each reading counts as its sample, and needs no model.');
  demand(samples > p, 'There are too few samples: at least one group needs two.');
  demand(sums.yy > 0, 'Within every sample all readings are the same: then each sample counts once, by its mean.');
  const looked = ratios(largest).map((ratio) => ({ ratio, ...profile(sums, ratio) }));
  const tops = looked.flatMap((here, i) => {
    const next = looked[i + 1];
    if (!next || here.slope <= 0 || next.slope > 0) return [];
    const ratio = findZero((r) => profile(sums, r).slope, here.ratio, next.ratio, 1e-15);
    return [{ ratio, ...profile(sums, ratio) }];
  });
  const best = tops.sort((a, b) => b.logLikelihood - a.logLikelihood)[0];
  demand(best !== undefined, noOptimum);
  return fitted(sums, best, largest, centre);
}

/** What follows from the likeliest variances: adjusted covariance, tests, intervals. */
function fitted(sums: Sums, best: Profile & { ratio: number }, largest: number, centre: number): RandomIntercept {
  const p = sums.xx.rows;
  const [within, between] = [best.variance, best.ratio * best.variance];
  const inverse = (n: number): number => 1 / (within + n * between);
  const { xx } = sums;
  const of = (power: number, each: (n: number) => number): Matrix =>
    weighted(sums, p, (n) => each(n) * inverse(n) ** power);
  const phi = cholesky(
    Matrix.add(
      Matrix.mul(xx, 1 / within),
      of(1, (n) => 1 / n),
    ),
  ).solve(Matrix.eye(p));
  // Derivatives of the information by σ²_w and σ²_b, and their products: all from the eigenvalues of one sample's covariance.
  const first = [
    Matrix.add(
      Matrix.mul(xx, -1 / within ** 2),
      Matrix.mul(
        of(2, (n) => 1 / n),
        -1,
      ),
    ),
    Matrix.mul(
      of(2, () => 1),
      -1,
    ),
  ] as const;
  const both = of(3, () => 1);
  const second = [
    [
      Matrix.add(
        Matrix.mul(xx, 1 / within ** 3),
        of(3, (n) => 1 / n),
      ),
      both,
    ],
    [both, of(3, (n) => n)],
  ] as const;
  const sampled = (each: (n: number) => number): number => sum(sums.patterns.map(({ count, n }) => count * each(n)));
  const traces = [
    [sampled((n) => (n - 1) / within ** 2 + inverse(n) ** 2), sampled((n) => n * inverse(n) ** 2)],
    [sampled((n) => n * inverse(n) ** 2), sampled((n) => (n * inverse(n)) ** 2)],
  ] as const;
  const two = [0, 1] as const;
  const information = Matrix.zeros(2, 2);
  for (const i of two)
    for (const j of two)
      information.set(
        i,
        j,
        (traces[i][j] - 2 * trace(phi, second[i][j]) + trace(phi.mmul(first[i]), phi.mmul(first[j]))) / 2,
      );
  const determinant = information.get(0, 0) * information.get(1, 1) - information.get(0, 1) ** 2;
  demand(determinant > 0, 'There are too few samples for their variance to be judged.');
  const w = [
    [information.get(1, 1) / determinant, -information.get(0, 1) / determinant],
    [-information.get(0, 1) / determinant, information.get(0, 0) / determinant],
  ] as const;
  const inner = Matrix.zeros(p, p);
  for (const i of two)
    for (const j of two) inner.add(Matrix.mul(Matrix.sub(second[i][j], first[i].mmul(phi).mmul(first[j])), w[i][j]));
  const adjusted = Matrix.add(phi, Matrix.mul(phi.mmul(inner).mmul(phi), 2));
  const moved = first.map((d) => phi.mmul(d).mmul(phi)) as [Matrix, Matrix];

  /** How far the estimated variances move a test: A₁ and A₂ of Kenward & Roger. */
  const uncertainty = (rows: Matrix): [number, number] => {
    const inside = rows.mmul(phi).mmul(rows.transpose());
    const theta = rows.transpose().mmul(cholesky(inside).solve(rows));
    const parts = moved.map((m) => theta.mmul(m)) as [Matrix, Matrix];
    let [a1, a2] = [0, 0];
    for (const i of two)
      for (const j of two) {
        a1 += w[i][j] * parts[i].trace() * parts[j].trace();
        a2 += w[i][j] * trace(parts[i], parts[j]);
      }
    return [a1, a2];
  };
  const squared = (rows: Matrix): number => {
    const seen = rows.mmul(best.coefficients);
    const spread = cholesky(rows.mmul(adjusted).mmul(rows.transpose()));
    return Matrix.mul(seen, spread.solve(seen)).sum();
  };

  const effect = (weights: readonly number[], at: number): TTest => {
    const rows = Matrix.rowVector([...weights]);
    const [, a2] = uncertainty(rows);
    const estimate = rows.mmul(best.coefficients).get(0, 0) + centre * sum([...weights]);
    return tTest(estimate, Math.sqrt(rows.mmul(adjusted).mmul(rows.transpose()).get(0, 0)), whole(2 / a2), at);
  };
  const test = (given: readonly (readonly number[])[]): WaldF => {
    const rows = new Matrix(given.map((row) => [...row]));
    const l = rows.rows;
    const [a1, a2] = uncertainty(rows);
    if (l === 1) {
      const f = squared(rows);
      const df2 = whole(2 / a2);
      return { f, df1: 1, df2, p: Math.max(fisherF(1, df2).upper(f), Number.MIN_VALUE) };
    }
    const b = (a1 + 6 * a2) / (2 * l);
    const g = ((l + 1) * a1 - (l + 4) * a2) / ((l + 2) * a2);
    const d = 3 * l + 2 * (1 - g);
    const mean = 1 / (1 - a2 / l);
    const spread = ((2 / l) * (1 + (g / d) * b)) / ((1 - ((l - g) / d) * b) ** 2 * (1 - ((l + 2 - g) / d) * b));
    const relative = spread / (2 * mean ** 2);
    const df2 = whole(4 + (l + 2) / (l * relative - 1));
    demand(df2 > 2 && Number.isFinite(df2), 'There are too few samples to judge all groups together.');
    const f = ((df2 / (mean * (df2 - 2))) * squared(rows)) / l;
    return { f, df1: l, df2, p: Math.max(fisherF(l, df2).upper(f), Number.MIN_VALUE) };
  };

  return {
    coefficients: best.coefficients.to1DArray(),
    readings: sums.readings,
    samples: sums.samples,
    within,
    between,
    icc: best.ratio / (1 + best.ratio),
    intervals: (level) => ({
      within: chiSquareInterval(within, (2 * within ** 2) / w[0][0], checkedLevel(level)),
      between: betweenInterval(sums, best, largest, level),
      icc: iccInterval(sums, best, largest, level),
    }),
    effect,
    test,
  };
}

/** Interval of a variance whose estimate is distributed as chi-square on df. Exact for the spread within samples of one size. */
function chiSquareInterval(variance: number, df: number, level: number): Interval {
  const reference = chiSquare(df);
  const tail = (1 - level) / 2;
  return {
    low: (df * variance) / reference.upperQuantile(tail),
    high: (df * variance) / reference.quantile(tail),
  };
}

/** How far the log-likelihood may fall within an interval. */
const drop = (level: number): number => chiSquare(1).upperQuantile(1 - level) / 2;

/** Where a curve falls below a height, going away from its top; the last place looked at where it never does. */
function crossing(curve: (x: number) => number, height: number, top: number, steps: readonly number[]): number {
  let inside = top;
  for (const x of steps) {
    if (curve(x) < height) return findZero((at) => curve(at) - height, inside, x, 1e-6);
    inside = x;
  }
  return inside;
}

/** Ratios away from the likeliest, down and up, in steps that reach the ends of what is possible. */
function around(ratio: number, largest: number): { down: number[]; up: number[] } {
  const reach = ratio + 1 / largest;
  const steps = Array.from({ length: 32 }, (_, i) => Math.exp((i + 1) / 2));
  return {
    down: steps.map((s) => reach / s - 1 / largest),
    up: steps.map((s) => reach * s - 1 / largest),
  };
}

/** Profile likelihood interval of the intraclass correlation. */
function iccInterval(sums: Sums, best: Profile & { ratio: number }, largest: number, level: number): Interval {
  const curve = (ratio: number): number => profile(sums, ratio).logLikelihood;
  const height = best.logLikelihood - drop(level);
  const { down, up } = around(best.ratio, largest);
  const icc = (ratio: number): number => ratio / (1 + ratio);
  return {
    low: icc(crossing(curve, height, best.ratio, down)),
    high: icc(crossing(curve, height, best.ratio, up)),
  };
}

/** Profile likelihood interval of the variance between samples, the one within them at its likeliest for each. */
function betweenInterval(sums: Sums, best: Profile & { ratio: number }, largest: number, level: number): Interval {
  const df = sums.readings - sums.xx.rows;
  /** The log-likelihood at both variances. */
  const joint = (between: number, ratio: number): number => {
    const { residual, determinants } = profile(sums, ratio);
    const within = between / ratio;
    return -(df * Math.log(within) + residual / within - df + determinants) / 2;
  };
  // The ratio on a scale without ends; its likeliest moves little from one variance to the next, so each search starts
  // where the last one ended.
  const scaleOf = (ratio: number): number => (ratio > 0 ? Math.log(ratio) : Math.log(-1 / (largest * ratio) - 1));
  const start = { above: scaleOf(Math.max(best.ratio, 1e-3)), below: scaleOf(Math.min(best.ratio, -1e-3 / largest)) };
  /** Its greatest over the variance within, for one between: a search over the ratio, of the same sign. */
  const curve = (between: number): number => {
    if (between === 0) return profile(sums, 0).logLikelihood;
    const side = between > 0 ? 'above' : 'below';
    const at = (z: number): number =>
      joint(between, side === 'above' ? Math.exp(z) : -1 / (largest * (1 + Math.exp(z))));
    const top = greatest(at, start[side]);
    start[side] = top.x;
    return top.height;
  };
  const height = best.logLikelihood - drop(level);
  const seen = best.ratio * best.variance;
  const least = -best.variance / largest;
  const unit = seen - least;
  const steps = Array.from({ length: 24 }, (_, i) => Math.exp((i + 1) / 2));
  return {
    low: crossing(
      curve,
      height,
      seen,
      steps.map((s) => least + unit / s),
    ),
    high: crossing(
      curve,
      height,
      seen,
      steps.map((s) => least + unit * s),
    ),
  };
}

/** Where a curve of one top is greatest, from a place near it: steps that double until it falls, then golden section (Kiefer, 1953). */
function greatest(curve: (x: number) => number, from: number): { x: number; height: number } {
  let [x, height] = [from, curve(from)];
  let step = curve(from + 0.25) > height ? 0.25 : -0.25;
  for (let next = curve(x + step); next > height && Math.abs(x) < 60; next = curve(x + step)) {
    [x, height] = [x + step, next];
    step *= 2;
  }
  let [low, high] = [Math.min(x - step, x + step), Math.max(x - step, x + step)];
  const golden = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [high - golden * (high - low), low + golden * (high - low)];
  let [atA, atB] = [curve(a), curve(b)];
  // The height is flat at its top: so near is near enough.
  while (high - low > 1e-3)
    if (atA > atB) {
      [high, b, atB] = [b, a, atA];
      a = high - golden * (high - low);
      atA = curve(a);
    } else {
      [low, a, atA] = [a, b, atB];
      b = low + golden * (high - low);
      atB = curve(b);
    }
  x = (low + high) / 2;
  return { x, height: Math.max(height, curve(x)) };
}
