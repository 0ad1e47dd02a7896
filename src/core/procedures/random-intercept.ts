import { Matrix } from 'ml-matrix';
import { demand } from '../numeric/domain-error';
import { findZero } from '../numeric/solve';
import { sum } from '../numeric/sum';
import { type Interval, checkedLevel } from './interval';
import { type WaldF, cholesky, kenwardRogerF, wholeDf } from './kenward-roger';
import { type Profile, type Sums, addWeighted, gather, profile } from './restricted-likelihood';
import { type TTest, tTest } from './t-test';
import { betweenInterval, chiSquareInterval, iccInterval } from './variance-intervals';

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
  /** Variance within samples. */
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

/** Why the model has no answer: the likelihood rises to the end of what is possible. */
const noOptimum =
  'The likelihood of the two variances has no greatest value inside what is possible: there are too few samples.';

const trace = (a: Matrix, b: Matrix): number => Matrix.mul(a, b.transpose()).sum();

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
  demand(samples > 1, 'There is one sample only, so nothing shows how much samples differ.');
  demand(
    given.length > columns.length,
    'There are no more readings than means, so nothing is left to judge the means by.',
  );
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
  const p = sums.coefficients;
  const [within, between] = [best.variance, best.ratio * best.variance];
  const inverse = (n: number): number => 1 / (within + n * between);
  const square = (a: Float64Array): Matrix => Matrix.from1DArray(p, p, a);
  const xx = square(sums.xx);
  const of = (power: number, each: (n: number) => number): Matrix =>
    square(addWeighted(new Float64Array(p * p), sums, (n) => each(n) * inverse(n) ** power));
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
    // Θ of the authors is as large as the coefficients are many; the traces need it only as large as the rows.
    const across = rows.transpose();
    const inside = cholesky(rows.mmul(phi).mmul(across));
    const parts = moved.map((m) => inside.solve(rows.mmul(m).mmul(across))) as [Matrix, Matrix];
    let [a1, a2] = [0, 0];
    for (const i of two)
      for (const j of two) {
        a1 += w[i][j] * parts[i].trace() * parts[j].trace();
        a2 += w[i][j] * trace(parts[i], parts[j]);
      }
    return [a1, a2];
  };
  const coefficients = Matrix.columnVector(best.coefficients);
  const squared = (rows: Matrix): number => {
    const seen = rows.mmul(coefficients);
    const spread = cholesky(rows.mmul(adjusted).mmul(rows.transpose()));
    return Matrix.mul(seen, spread.solve(seen)).sum();
  };

  const effect = (weights: readonly number[], at: number): TTest => {
    const rows = Matrix.rowVector([...weights]);
    const [, a2] = uncertainty(rows);
    const estimate = rows.mmul(coefficients).get(0, 0) + centre * sum([...weights]);
    return tTest(estimate, Math.sqrt(rows.mmul(adjusted).mmul(rows.transpose()).get(0, 0)), wholeDf(2 / a2), at);
  };
  const test = (given: readonly (readonly number[])[]): WaldF => {
    const rows = new Matrix(given.map((row) => [...row]));
    return kenwardRogerF(squared(rows), rows.rows, uncertainty(rows));
  };

  return {
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
