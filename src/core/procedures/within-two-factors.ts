import { fisherF } from '../distributions/f';
import { demand } from '../numeric/domain-error';
import { nth } from '../numeric/nth';
import { moments, sum } from '../numeric/sum';
import { orthonormalContrasts } from './orthonormal-contrasts';
import { type Mauchly, sphericity } from './sphericity';

/** An effect with the error it is judged by: how far it differs from subject to subject. */
export interface WithinEffect {
  ss: number;
  df: number;
  error: { ss: number; df: number };
  f: number;
  p: number;
  /** Greenhouse & Geisser's ε of its contrasts, and p with both df multiplied by it. */
  epsilon: number;
  corrected: number;
  mauchly: Mauchly | undefined;
  partialEtaSquared: number;
}

export interface WithinTwoFactors {
  a: WithinEffect;
  b: WithinEffect;
  interaction: WithinEffect;
  subjects: { ss: number; df: number };
  total: { ss: number; df: number };
}

/** Every product of a row of one list with a row of the other, over the cells in the order of both. */
const products = (rows: readonly (readonly number[])[], others: readonly (readonly number[])[]): number[][] =>
  rows.flatMap((x) => others.map((y) => x.flatMap((p) => y.map((q) => p * q))));

/** An effect by its orthonormal contrasts over the cells: their means over subjects, set against how they spread. */
function effectOf(contrasts: readonly (readonly number[])[], subjects: readonly (readonly number[])[]): WithinEffect {
  const n = subjects.length;
  const scores = contrasts.map((c) => moments(subjects.map((y) => sum(y.map((v, i) => v * nth(c, i))))));
  const df = contrasts.length;
  const ss = n * sum(scores.map((s) => s.mean ** 2));
  const error = { ss: sum(scores.map((s) => s.sumOfSquares)), df: df * (n - 1) };
  const f = ss / df / (error.ss / error.df);
  const covariance = scores.map(({ deviations: x }) =>
    scores.map(({ deviations: y }) => sum(x.map((v, s) => v * nth(y, s))) / (n - 1)),
  );
  const { epsilon, mauchly } = sphericity(covariance, n);
  const upper = (e: number): number => Math.max(fisherF(e * df, e * error.df).upper(f), Number.MIN_VALUE);
  const partialEtaSquared = ss / (ss + error.ss);
  return { ss, df, error, f, p: upper(1), epsilon, corrected: upper(epsilon), mauchly, partialEtaSquared };
}

/**
 * Two-way analysis of variance with both factors within subjects: each subject is read under every combination of their
 * levels. Each effect is judged by how it differs from subject to subject. Assumes independent subjects, contrasts near
 * enough normal; sphericity for the plain p. Source: Greenhouse & Geisser (1959), Winer (1962).
 * @param rows one a subject, its readings cell after cell: under each level of the second factor at the first of the first
 * @param a how many levels the first factor has; @param b the second
 * @throws DomainError with gaps, fewer than two subjects or levels, or no spread left
 */
export function withinTwoFactors(rows: readonly (readonly number[])[], a: number, b: number): WithinTwoFactors {
  const n = rows.length;
  const cells = a * b;
  demand(n >= 2, 'At least two subjects read under every combination are needed.');
  demand(a >= 2 && b >= 2, 'Each factor needs two levels at least.');
  demand(
    rows.every((r) => r.length === cells),
    'Every subject needs a reading under every combination: leave out subjects with gaps.',
  );
  const { deviations, sumOfSquares } = moments(rows.flat());
  const centred = rows.map((_, i) => Array.from(deviations.slice(i * cells, (i + 1) * cells)));
  const [first, second] = [orthonormalContrasts(a), orthonormalContrasts(b)];
  const [meanOfA, meanOfB] = [a, b].map((k) => [new Array<number>(k).fill(1 / Math.sqrt(k))]);
  const found = {
    a: effectOf(products(first, meanOfB ?? []), centred),
    b: effectOf(products(meanOfA ?? [], second), centred),
    interaction: effectOf(products(first, second), centred),
  };
  for (const { error } of Object.values(found))
    demand(
      error.ss > 1e-28 * sumOfSquares,
      'Every subject changes by the same amounts, so there is no spread to judge an effect by.',
    );
  return {
    ...found,
    subjects: { ss: sum(centred.map((y) => sum(y) ** 2)) / cells, df: n - 1 },
    total: { ss: sumOfSquares, df: n * cells - 1 },
  };
}
