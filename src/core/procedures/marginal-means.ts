import { studentT } from '../distributions/t';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import { type Adjustment, adjustP } from './adjust-p';
import { symmetricTails } from './direction';
import { type Interval, checkedLevel } from './interval';
import { allPairs } from './pairwise';
import type { TwoWayAnova, TwoWayReading } from './two-way-anova';

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

interface Cell {
  n: number;
  mean: number;
}

function cellsOf(readings: readonly TwoWayReading[], table: TwoWayAnova): Cell[][] {
  return table.levels.a.map((a) =>
    table.levels.b.map((b) => {
      const values = readings.filter((r) => r.a === a && r.b === b).map((r) => r.value);
      return { n: values.length, mean: sum(values) / values.length };
    }),
  );
}

/** A row of cells as mean and the sum of 1/n over its cells, squared weights included. */
function rowMean(cells: readonly Cell[]): { mean: number; variance: number } {
  demand(
    cells.every((c) => c.n > 0),
    'A mean over cells cannot be estimated where a cell is empty: compare within the levels that are complete.',
  );
  return {
    mean: sum(cells.map((c) => c.mean)) / cells.length,
    variance: sum(cells.map((c) => 1 / c.n)) / cells.length ** 2,
  };
}

const transposed = (cells: readonly Cell[][]): Cell[][] =>
  (cells[0] ?? []).map((_, j) => cells.map((row) => row[j] ?? { n: 0, mean: 0 }));

/** The cells each level of a factor is made of; with `within`, only those in one level of the other factor. */
function partsOf(
  readings: readonly TwoWayReading[],
  table: TwoWayAnova,
  factor: 'a' | 'b',
  within?: string,
): { level: string; cells: Cell[] }[] {
  const cells = cellsOf(readings, table);
  const rows = factor === 'a' ? cells : transposed(cells);
  const others = table.levels[factor === 'a' ? 'b' : 'a'];
  return table.levels[factor].map((level, i) => ({
    level,
    cells: (rows[i] ?? []).filter((_, j) => within === undefined || others[j] === within),
  }));
}

const isFilled = ({ cells }: { cells: readonly Cell[] }): boolean => cells.every((c) => c.n > 0);

/**
 * Marginal means of one factor of a two-way analysis with intervals from its residual spread.
 * Source: Searle, Speed & Milliken (1980).
 * @param partial leaves out levels with an empty cell instead of refusing
 */
export function marginalMeans(
  readings: readonly TwoWayReading[],
  table: TwoWayAnova,
  factor: 'a' | 'b',
  level: number,
  within?: string,
  partial = false,
): MarginalMean[] {
  const critical = studentT(table.residual.df).upperQuantile((1 - checkedLevel(level)) / 2);
  const parts = partsOf(readings, table, factor, within);
  return (partial ? parts.filter(isFilled) : parts).map(({ level: name, cells }) => {
    const { mean, variance } = rowMean(cells);
    const se = Math.sqrt(table.residual.ms * variance);
    return { level: name, mean, se, interval: { low: mean - critical * se, high: mean + critical * se } };
  });
}

/**
 * Comparisons of a factor's levels in pairs: of main effects, or `within` one level of the other factor when the
 * interaction matters; p adjusted over the pairs compared.
 */
export function marginalPairs(
  readings: readonly TwoWayReading[],
  table: TwoWayAnova,
  factor: 'a' | 'b',
  adjustment: Adjustment = 'holm',
  within?: string,
): MarginalPair[] {
  // Within a level, what has no readings there is not compared; over levels, it makes the mean impossible.
  const all = partsOf(readings, table, factor, within);
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
