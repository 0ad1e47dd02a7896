import { fisherF } from '../distributions/f';
import { demand } from '../numeric/domain-error';
import { leastSquares } from '../numeric/least-squares';
import { moments, sum } from '../numeric/sum';

/** A reading under one level of each factor. */
export interface TwoWayReading {
  a: string;
  b: string;
  value: number;
}

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
}

/** The parts a two-way model may have beside its mean. */
export type ModelPart = 'a' | 'b' | 'ab';

/** Columns of effect coding for each part. */
function designOf(readings: readonly TwoWayReading[], levelsA: readonly string[], levelsB: readonly string[]) {
  const of = (levels: readonly string[], factor: 'a' | 'b') =>
    coded(
      levels,
      readings.map((r) => r[factor]),
    );
  const [a, b] = [of(levelsA, 'a'), of(levelsB, 'b')];
  return { a, b, ab: a.flatMap((x) => b.map((z) => times(x, z))) };
}

/** The sum of squares a model with these parts leaves unexplained: an effect is what leaving it out adds to that. */
export function unexplained(readings: readonly TwoWayReading[], parts: readonly ModelPart[]): number {
  const levels = (factor: 'a' | 'b'): string[] => [...new Set(readings.map((r) => r[factor]))];
  const design = designOf(readings, levels('a'), levels('b'));
  const { deviations } = moments(readings.map((r) => r.value));
  const one = new Float64Array(readings.length).fill(1);
  return leastSquares([one, ...parts.flatMap((part) => design[part])], deviations).residual;
}

/** Effect coding: a column for each level but the last, which gets −1 throughout. */
function coded(levels: readonly string[], of: readonly string[]): Float64Array[] {
  const last = levels.at(-1);
  return levels.slice(0, -1).map((level) => Float64Array.from(of, (x) => (x === level ? 1 : x === last ? -1 : 0)));
}

const times = (x: Float64Array, y: Float64Array): Float64Array => x.map((v, i) => v * (y[i] ?? 0));

/**
 * Two-way analysis of variance, balanced or not, by least squares on effect coding.
 *
 * Type I takes the factors in the order given; II tests each main effect after the other one; III each effect after all
 * others, interaction included. Without empty cells and with equal cells the three agree. The default elsewhere is II:
 * it has the most power for main effects when there is no interaction, and when there is one, main effects should be
 * read within levels anyway (Langsrud, 2003).
 *
 * Assumes independent readings, one spread, means near enough normal.
 * Source: Fisher (1925); Yates (1934) for unequal cells.
 * @throws DomainError with fewer than two levels of a factor, or nothing left to judge errors by
 */
export function twoWayAnova(readings: readonly TwoWayReading[], type: SumsOfSquares = 2): TwoWayAnova {
  const levelsA = [...new Set(readings.map((r) => r.a))];
  const levelsB = [...new Set(readings.map((r) => r.b))];
  demand(levelsA.length > 1 && levelsB.length > 1, 'Each factor needs at least two levels.');
  const { deviations: y, sumOfSquares: total } = moments(readings.map((r) => r.value));
  const one = new Float64Array(readings.length).fill(1);
  const { a, b, ab } = designOf(readings, levelsA, levelsB);
  const cells = new Map<string, number>();
  const key = (x: string, z: string): string => `${levelsA.indexOf(x)} ${levelsB.indexOf(z)}`;
  for (const r of readings) cells.set(key(r.a, r.b), (cells.get(key(r.a, r.b)) ?? 0) + 1);
  const emptyCells = levelsA.flatMap((x) => levelsB.filter((z) => !cells.has(key(x, z))).map((z) => ({ a: x, b: z })));
  const replicated = readings.length > cells.size;
  const interactive = replicated ? ab : [];

  const full = leastSquares([one, ...a, ...b, ...interactive], y);
  const additive = replicated ? leastSquares([one, ...a, ...b], y) : full;
  const dfResidual = readings.length - full.rank;
  demand(dfResidual > 0, 'Nothing is left to judge errors by: at least one cell needs a second reading.');
  demand(
    full.residual > 1e-28 * total,
    'Within every cell all readings are the same, so there is no spread to judge effects by.',
  );
  const residual = { ss: full.residual, df: dfResidual, ms: full.residual / dfResidual };
  const effect = (ss: number, df: number): FactorEffect => {
    const f = ss / df / residual.ms;
    return {
      ss,
      df,
      ms: ss / df,
      f,
      p: Math.max(fisherF(df, dfResidual).upper(f), Number.MIN_VALUE),
      partialEtaSquared: ss / (ss + residual.ss),
    };
  };
  /** What `columns` explain after `others`. */
  const after = (others: readonly Float64Array[], columns: readonly Float64Array[]): FactorEffect => {
    const fit = leastSquares([one, ...others, ...columns], y);
    const added = fit.explained.slice(1 + others.length);
    const rank = fit.rank - leastSquares([one, ...others], y).rank;
    demand(rank > 0, 'The two factors cannot be told apart in these readings: their levels always change together.');
    return effect(sum(added), rank);
  };
  return {
    type,
    a: after(type === 1 ? [] : type === 2 ? b : [...b, ...interactive], a),
    b: after(type === 3 ? [...a, ...interactive] : a, b),
    interaction: replicated && full.rank > additive.rank ? after([...a, ...b], ab) : undefined,
    residual,
    total: { ss: total, df: readings.length - 1 },
    emptyCells,
    balanced: emptyCells.length === 0 && new Set(cells.values()).size === 1,
    levels: { a: levelsA, b: levelsB },
  };
}
