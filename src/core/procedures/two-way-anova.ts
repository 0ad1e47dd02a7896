import { nth } from '../numeric/nth';
import { fisherF } from '../distributions/f';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import {
  type TwoWayCell,
  type TwoWayCells,
  type TwoWayReading,
  additiveFit,
  cellsOf,
  transposed,
} from './two-way-cells';

export type { TwoWayReading } from './two-way-cells';

/** Which question each line of the table answers when the cells are of unequal size. */
export type SumsOfSquares = 1 | 2 | 3;

export interface FactorEffect {
  ss: number;
  df: number;
  ms: number;
  f: number;
  p: number;
  partialEtaSquared: number;
}

export interface TwoWayAnova {
  type: SumsOfSquares;
  a: FactorEffect;
  b: FactorEffect;
  /**
   * Undefined where no cell has more than one reading, for there the interaction is all that errors can be judged by; and
   * where empty cells leave nothing of it to be estimated.
   */
  interaction: FactorEffect | undefined;
  residual: { ss: number; df: number; ms: number };
  total: { ss: number; df: number };
  /** Cells without readings; with any, type III has no clear meaning and the interaction has fewer degrees of freedom. */
  emptyCells: { a: string; b: string }[];
  balanced: boolean;
  levels: { a: string[]; b: string[] };
  /** The layout the analysis was made from. */
  layout: TwoWayCells;
}

/** The parts a two-way model may have beside its mean. */
export type ModelPart = 'a' | 'b' | 'ab';

type Cells = readonly (readonly TwoWayCell[])[];
type Means = readonly (readonly number[])[];

/** The mean of each level of the first factor over its readings, in each of its cells. */
const rowMeans = (cells: Cells): number[][] =>
  cells.map((row) => {
    const n = sum(row.map((c) => c.n));
    const mean = sum(row.map((c) => c.n * c.offset)) / n;
    return row.map(() => mean);
  });

/** Σ n (x − y)² over the cells: between a model and one inside it, what the larger explains more. */
const apart = (cells: Cells, x: Means, y: Means): number =>
  sum(cells.flatMap((row, i) => row.map((c, j) => c.n * (nth(nth(x, i), j) - nth(nth(y, i), j)) ** 2)));

/**
 * Weighted squares of means: the sum of squares of the first factor after the other and the interaction, from the plain
 * means of its cells, each weighing as precisely as it is known. Source: Yates (1934).
 */
function weightedSquares(cells: Cells): number {
  const rows = cells.map((row) => ({
    mean: sum(row.map((c) => c.offset)) / row.length,
    weight: row.length ** 2 / sum(row.map((c) => 1 / c.n)),
  }));
  const centre = sum(rows.map((r) => r.weight * r.mean)) / sum(rows.map((r) => r.weight));
  return sum(rows.map((r) => r.weight * (r.mean - centre) ** 2));
}

const offsets = (cells: Cells): number[][] => cells.map((row) => row.map((c) => c.offset));

/** The sum of squares a model with these parts leaves unexplained: an effect is what leaving it out adds to that. */
export function unexplained({ layout: { cells, total } }: TwoWayAnova, parts: readonly ModelPart[]): number {
  const within = sum(cells.flat().map((c) => c.squares));
  const has = (part: ModelPart): boolean => parts.includes(part);
  if (has('ab'))
    return within + (has('a') ? 0 : weightedSquares(cells)) + (has('b') ? 0 : weightedSquares(transposed(cells)));
  if (!has('a') && !has('b')) return total;
  const fitted =
    has('a') && has('b')
      ? additiveFit(cells).fitted
      : has('a')
        ? rowMeans(cells)
        : transposed(rowMeans(transposed(cells)));
  return within + apart(cells, offsets(cells), fitted);
}

/**
 * Two-way analysis of variance, balanced or not, from the cells' counts, means and squares.
 *
 * Type I takes the factors in the order given; II tests each main effect after the other one; III each effect after all
 * others, interaction included. Without empty cells and with equal cells the three agree. The default elsewhere is II:
 * it has the most power for main effects when there is no interaction, and when there is one, main effects should be
 * read within levels anyway (Langsrud, 2003).
 *
 * The model with the interaction needs no fit, its means are the cells'; the additive one is fitted to the cell means.
 * Assumes independent readings, one spread, means near enough normal.
 * Source: Fisher (1925); Yates (1934) for unequal cells.
 * @throws DomainError with fewer than two levels of a factor, or nothing left to judge errors by
 */
export function twoWayAnova(readings: readonly TwoWayReading[], type: SumsOfSquares = 2): TwoWayAnova {
  const layout = cellsOf(readings);
  const { n, total, levels, cells } = layout;
  const flat = cells.flat();
  const filled = flat.filter((c) => c.n > 0).length;
  const emptyCells = levels.a.flatMap((a, i) =>
    levels.b.flatMap((b, j) => (nth(nth(cells, i), j).n === 0 ? [{ a, b }] : [])),
  );
  const replicated = n > filled;
  const additive = additiveFit(cells);
  const within = sum(flat.map((c) => c.squares));
  const interactionSs = apart(cells, offsets(cells), additive.fitted);
  const ss = replicated ? within : within + interactionSs;
  const df = n - (replicated ? filled : additive.rank);
  demand(df > 0, 'Nothing is left to judge errors by: at least one cell needs a second reading.');
  demand(ss > 1e-28 * total, 'Within every cell all readings are the same, so there is no spread to judge effects by.');
  const residual = { ss, df, ms: ss / df };
  const effect = (own: number, dfOwn: number): FactorEffect => {
    const f = own / dfOwn / residual.ms;
    return {
      ss: own,
      df: dfOwn,
      ms: own / dfOwn,
      f,
      p: Math.max(fisherF(dfOwn, df).upper(f), Number.MIN_VALUE),
      partialEtaSquared: own / (own + ss),
    };
  };
  const [a, b] = [levels.a.length, levels.b.length];
  const byA = rowMeans(cells);
  const byB = transposed(rowMeans(transposed(cells)));
  const complete = emptyCells.length === 0;
  demand(
    type !== 3 || complete || !replicated,
    `Sums of squares of type III compare means over all cells, and ${emptyCells.length === 1 ? `one is empty (${emptyCells[0]?.a ?? ''}, ${emptyCells[0]?.b ?? ''})` : `${emptyCells.length} are empty`}: ask for type II, which compares levels where both have readings.`,
  );
  const together = 'The two factors cannot be separated in these readings: their levels always change together.';
  const afterOther = (other: Means, theirs: number): FactorEffect => {
    demand(additive.rank > theirs, together);
    return effect(apart(cells, additive.fitted, other), additive.rank - theirs);
  };
  const third = type === 3 && replicated;
  return {
    type,
    a: third
      ? effect(weightedSquares(cells), a - 1)
      : type === 1
        ? effect(sum(cells.flatMap((row, i) => row.map((c, j) => c.n * nth(nth(byA, i), j) ** 2))), a - 1)
        : afterOther(byB, b),
    b: third ? effect(weightedSquares(transposed(cells)), b - 1) : afterOther(byA, a),
    interaction: replicated && filled > additive.rank ? effect(interactionSs, filled - additive.rank) : undefined,
    residual,
    total: { ss: total, df: n - 1 },
    emptyCells,
    balanced: complete && new Set(flat.map((c) => c.n)).size === 1,
    levels,
    layout,
  };
}
