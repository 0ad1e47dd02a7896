import { nth } from '../numeric/nth';
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { fisherF } from '../distributions/f';
import { studentT } from '../distributions/t';
import { attempt, demand } from '../numeric/domain-error';
import { moments, sum } from '../numeric/sum';
import { there } from '../numeric/there';
import type { Interval } from './interval';
import { oneDegreeInteraction } from './one-degree-interaction';
import { type TTest, tTest } from './t-test';
import { addTo } from '../numeric/add-to';

/** A line of the table of sums of squares. */
export interface BlocksLine {
  ss: number;
  df: number;
  ms: number;
  f: number;
  p: number;
}

/** Whether groups differ alike in all blocks: by replicates, or by one degree of freedom where there are none. */
export interface Additivity {
  by: 'replicates' | 'one-degree';
  f: number;
  df: readonly [number, number];
  p: number;
}

export interface RandomizedBlocks {
  /** What groups add to blocks, and blocks to groups. */
  group: BlocksLine;
  block: BlocksLine;
  residual: { ss: number; df: number; ms: number };
  /** About the grand mean. */
  total: { ss: number; df: number };
  /** Of each group its mean were it read in every block alike. */
  means: { mean: number; se: number; interval: Interval }[];
  /** A weighted sum of these means, its weights summing to 0. */
  effect: (weights: readonly number[], level: number) => TTest;
  /** Undefined where the layout can tell nothing of it. */
  additivity: Additivity | undefined;
  /** Readings less what their group and block come to, in the order given. */
  residuals: number[];
}

/** A reading by the places of its group and its block. */
export interface InBlock {
  group: number;
  block: number;
  value: number;
}

const line = (ss: number, df: number, error: { ms: number; df: number }): BlocksLine => {
  const f = ss / df / error.ms;
  return { ss, df, ms: ss / df, f, p: Math.max(fisherF(df, error.df).upper(f), Number.MIN_VALUE) };
};

/** How often each group was read in each block, and what that adds up to. */
function cellsOf(readings: readonly InBlock[], groups: number, blocks: number) {
  const counts = Array.from({ length: blocks }, () => new Float64Array(groups));
  const sums = Array.from({ length: blocks }, () => new Float64Array(groups));
  for (const { group, block, value } of readings) {
    const [n, s] = [there(counts[block], 'a block'), there(sums[block], 'a block')];
    addTo(n, group, 1);
    addTo(s, group, value);
  }
  return { counts, sums };
}

/** Sum of squares of readings about the means of the sets they fall in. */
function about(readings: readonly InBlock[], setOf: (r: InBlock) => number): number {
  const sets = new Map<number, number[]>();
  for (const r of readings) {
    const set = sets.get(setOf(r));
    if (set) set.push(r.value);
    else sets.set(setOf(r), [r.value]);
  }
  return sum([...sets.values()].map((values) => moments(values).sumOfSquares));
}

/**
 * Groups compared within blocks, the blocks as a fixed factor that adds to each of its readings alike: y = group + block
 * + error, by least squares, for any numbers of readings, none in some cells included. Blocks are taken out first, so
 * that what is solved is as large as the groups are many. Each line of the table is what leaving it out of the model
 * adds to the residual. Source: Yates (1936), Searle (1971).
 * @throws DomainError with fewer than two groups or blocks, groups that no chain of blocks links, or no spread left
 */
export function randomizedBlocks(
  given: readonly InBlock[],
  groups: number,
  blocks: number,
  level: number,
): RandomizedBlocks {
  demand(groups >= 2 && blocks >= 2, 'At least two groups and two blocks are needed.');
  // Near zero, so that products of sums keep their digits; the means are moved back afterwards.
  const centre = sum(given.map((r) => r.value)) / given.length;
  const readings = given.map((r) => ({ ...r, value: r.value - centre }));
  const { counts, sums } = cellsOf(readings, groups, blocks);
  const sizes = counts.map((n) => sum([...n]));
  const means = sums.map((s, b) => sum([...s]) / there(sizes[b], 'a block'));
  // The normal equations of the groups within blocks; the last group's effect is 0.
  const k = groups - 1;
  const normal = Matrix.zeros(groups, groups);
  const right = Matrix.zeros(groups, 1);
  counts.forEach((n, b) => {
    const size = there(sizes[b], 'a block');
    n.forEach((count, i) => {
      if (count === 0) return;
      right.set(i, 0, right.get(i, 0) + nth(nth(sums, b), i) - count * there(means[b], 'a mean'));
      normal.set(i, i, normal.get(i, i) + count);
      n.forEach((other, j) => normal.set(i, j, normal.get(i, j) - (count * other) / size));
    });
  });
  const inner = new CholeskyDecomposition(normal.subMatrix(0, k - 1, 0, k - 1));
  const inverse = inner.isPositiveDefinite() ? inner.solve(Matrix.eye(k)) : undefined;
  // What rounding leaves of a zero is no link.
  const scale = Math.max(...normal.diagonal());
  demand(
    inverse !== undefined && Math.max(...inverse.diagonal()) * scale < 1e10,
    'Some groups share no block with the others, nor are they linked through any: within blocks they cannot be compared.',
  );
  const effects = [...inverse.mmul(right.subMatrix(0, k - 1, 0, 0)).to1DArray(), 0];
  const explained = sum(effects.map((e, i) => e * right.get(i, 0)));
  const total = moments(readings.map((r) => r.value)).sumOfSquares;
  const blockEffects = means.map(
    (mean, b) => mean - sum(effects.map((e, i) => (e * nth(nth(counts, b), i)) / there(sizes[b], 'a block'))),
  );
  const residuals = readings.map(
    (r) => r.value - there(effects[r.group], 'a group') - there(blockEffects[r.block], 'a block'),
  );
  const n = readings.length;
  const df = n - blocks - k;
  demand(
    df >= 1,
    'There are as many groups and blocks as readings, so nothing is left to judge errors by: more blocks, or more readings in each, are needed.',
  );
  const ss = sum(residuals.map((e) => e * e));
  demand(ss > 1e-22 * total && ss > 0, 'Readings are exactly what group and block add up to: there is no spread.');
  const residual = { ss, df, ms: ss / df };
  const variance = (weights: readonly number[]): number => {
    const w = Matrix.columnVector(weights.slice(0, k));
    return Matrix.mul(w, inverse.mmul(w)).sum();
  };
  /** Of each group the share of a block's readings that are its, on average over blocks. */
  const shares = effects.map((_, i) => sum(counts.map((c, b) => nth(c, i) / there(sizes[b], 'a block'))) / blocks);
  const level0 = sum(means) / blocks - sum(effects.map((e, i) => e * there(shares[i], 'a share')));
  const ofBlocks = sum(sizes.map((size) => 1 / size)) / blocks ** 2;
  const reach = studentT(df).upperQuantile((1 - level) / 2);
  return {
    group: line(explained, k, residual),
    block: line(about(readings, (r) => r.group) - ss, blocks - 1, residual),
    residual,
    total: { ss: total, df: n - 1 },
    means: effects.map((effect, g) => {
      const mean = effect + level0 + centre;
      const apart = shares.map((share, i) => Number(i === g) - share);
      const se = Math.sqrt(residual.ms * (variance(apart) + ofBlocks));
      return { mean, se, interval: { low: mean - reach * se, high: mean + reach * se } };
    }),
    effect: (weights, of) =>
      tTest(
        sum(effects.map((e, i) => e * nth(weights, i))),
        Math.sqrt(residual.ms * variance(effects.map((_, i) => nth(weights, i)))),
        df,
        of,
      ),
    additivity: additivityOf(readings, { counts, sums }, residual, groups),
    residuals,
  };
}

function additivityOf(
  readings: readonly InBlock[],
  { counts, sums }: ReturnType<typeof cellsOf>,
  residual: { ss: number; df: number },
  groups: number,
): Additivity | undefined {
  const cells = sum(counts.map((n) => n.filter((count) => count > 0).length));
  const dfError = readings.length - cells;
  if (dfError > 0) {
    const error = about(readings, (r) => r.block * groups + r.group);
    const df = residual.df - dfError;
    if (df < 1 || error <= 0) return undefined;
    const { f, p } = line(Math.max(0, residual.ss - error), df, { ms: error / dfError, df: dfError });
    return { by: 'replicates', f, df: [df, dfError], p };
  }
  // One reading in every cell: whether groups and blocks multiply.
  if (cells < counts.length * groups || residual.df < 2) return undefined;
  const found = attempt(() => oneDegreeInteraction(sums.map((s) => [...s])));
  return found.ok ? { by: 'one-degree', f: found.value.f, df: [1, found.value.df2], p: found.value.p } : undefined;
}
