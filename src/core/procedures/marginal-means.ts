import { studentT } from '../distributions/t';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import { type Adjustment, adjustP } from './adjust-p';
import { symmetricTails } from './direction';
import { type Interval, checkedLevel } from './interval';
import { allPairs } from './pairwise';
import type { TwoWayAnova } from './two-way-anova';
import { type TwoWayCell, transposed } from './two-way-cells';

/** A mean of cell means: each cell counts the same, however many readings it has. */
export interface MarginalMean {
  level: string;
  mean: number;
  se: number;
  interval: Interval;
}

export interface MarginalPair {
  a: string;
  b: string;
  difference: number;
  se: number;
  t: number;
  p: number;
}

/** A row of cells as the mean of their means, from the mean of all, and the sum of 1/n over its cells, squared weights included. */
function rowMean(cells: readonly TwoWayCell[]): { mean: number; variance: number } {
  demand(
    cells.every((c) => c.n > 0),
    'A mean over cells cannot be estimated where a cell is empty: compare within the levels that are complete.',
  );
  return {
    mean: sum(cells.map((c) => c.offset)) / cells.length,
    variance: sum(cells.map((c) => 1 / c.n)) / cells.length ** 2,
  };
}

/** The cells each level of a factor is made of; with `within`, only those in one level of the other factor. */
function partsOf(
  { layout: { cells, levels } }: TwoWayAnova,
  factor: 'a' | 'b',
  within?: string,
): { level: string; cells: TwoWayCell[] }[] {
  const rows = factor === 'a' ? cells : transposed(cells);
  const others = levels[factor === 'a' ? 'b' : 'a'];
  return levels[factor].map((level, i) => ({
    level,
    cells: (rows[i] ?? []).filter((_, j) => within === undefined || others[j] === within),
  }));
}

const isFilled = ({ cells }: { cells: readonly TwoWayCell[] }): boolean => cells.every((c) => c.n > 0);

/**
 * Marginal means of one factor of a two-way analysis with intervals from its residual spread.
 * Source: Searle, Speed & Milliken (1980).
 * @param partial leaves out levels with an empty cell instead of refusing
 */
export function marginalMeans(
  table: TwoWayAnova,
  factor: 'a' | 'b',
  level: number,
  within?: string,
  partial = false,
): MarginalMean[] {
  const critical = studentT(table.residual.df).upperQuantile((1 - checkedLevel(level)) / 2);
  const parts = partsOf(table, factor, within);
  return (partial ? parts.filter(isFilled) : parts).map(({ level: name, cells }) => {
    const { mean: offset, variance } = rowMean(cells);
    const mean = table.layout.mean + offset;
    const se = Math.sqrt(table.residual.ms * variance);
    return { level: name, mean, se, interval: { low: mean - critical * se, high: mean + critical * se } };
  });
}

/**
 * Comparisons of a factor's levels in pairs: of main effects, or `within` one level of the other factor when the
 * interaction matters; p adjusted over the pairs compared.
 */
export function marginalPairs(
  table: TwoWayAnova,
  factor: 'a' | 'b',
  adjustment: Adjustment = 'holm',
  within?: string,
): MarginalPair[] {
  // Within a level, what has no readings there is not compared; over levels, it makes the mean impossible.
  const all = partsOf(table, factor, within);
  const parts = (within === undefined ? all : all.filter(isFilled)).map(({ level, cells }) => ({
    level,
    ...rowMean(cells),
  }));
  const reference = studentT(table.residual.df);
  const pairs = allPairs(parts.length).map(([i, j]) => {
    const [first, second] = [parts[i], parts[j]];
    demand(first !== undefined && second !== undefined, 'A level compared does not exist.');
    const difference = first.mean - second.mean;
    const se = Math.sqrt(table.residual.ms * (first.variance + second.variance));
    return { a: first.level, b: second.level, difference, se, t: difference / se };
  });
  const p = adjustP(
    pairs.map((pair) => symmetricTails(reference, pair.t).either),
    adjustment,
  );
  return pairs.map((pair, i) => ({ ...pair, p: p[i] ?? 1 }));
}
