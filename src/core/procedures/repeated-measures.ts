import { widthOf } from '../numeric/width-of';
import { nth } from '../numeric/nth';
import { fisherF } from '../distributions/f';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import { orthonormalContrasts } from './orthonormal-contrasts';
import { type Mauchly, sphericity } from './sphericity';
import { withinRest } from './subject-rows';

export interface RepeatedMeasures {
  condition: { ss: number; df: number };
  subject: { ss: number; df: number };
  error: { ss: number; df: number };
  f: number;
  p: number;
  /** Greenhouse & Geisser's (1959) ε, and p with both df multiplied by it. */
  greenhouseGeisser: { epsilon: number; p: number };
  /** Huynh & Feldt's (1976) ε, at most 1. */
  huynhFeldt: { epsilon: number; p: number };
  /** Mauchly's (1940) test of sphericity; undefined with two conditions, with too few subjects, or when
   * some combination of the conditions never varies. */
  mauchly: Mauchly | undefined;
  partialEtaSquared: number;
}

/**
 * One-way repeated-measures analysis of variance: the same subjects under every condition.
 * Assumes independent subjects, differences near enough normal; equal spread of all differences (sphericity) for the
 * plain p, which the two corrections do without. Source: Fisher (1925), Greenhouse & Geisser (1959), Huynh & Feldt (1976).
 * @param rows one a subject, its readings in the order of the conditions
 * @throws DomainError with missing cells, fewer than two subjects or conditions, or no spread left
 */
export function repeatedMeasures(rows: readonly (readonly number[])[]): RepeatedMeasures {
  const n = rows.length;
  const k = widthOf(rows);
  demand(n >= 2 && k >= 2, 'Repeated measures need at least two subjects under at least two conditions.');
  demand(
    rows.every((r) => r.length === k),
    'Every subject needs a reading under every condition: leave out subjects with gaps.',
  );
  const { total, subjects, conditions, squares: ssError, products } = withinRest(rows);
  const ssSubject = k * sum(subjects.map((m) => m * m));
  const ssCondition = n * sum(conditions.map((m) => m * m));
  demand(
    ssError > 1e-28 * total,
    'Every subject changes by the same amounts, so there is no spread to judge changes by.',
  );
  const df1 = k - 1;
  const df2 = (n - 1) * (k - 1);
  const f = ssCondition / df1 / (ssError / df2);

  // Covariances of the orthonormal contrasts; how unequal their spreads are is what ε measures.
  const contrasts = orthonormalContrasts(k);
  const covariance = contrasts.map((c) =>
    contrasts.map((d) => sum(c.map((w, i) => w * sum(d.map((v, j) => v * nth(nth(products, i), j))))) / (n - 1)),
  );
  const { epsilon, mauchly } = sphericity(covariance, n);
  const huynhFeldt = Math.min(1, (n * df1 * epsilon - 2) / (df1 * (n - 1 - df1 * epsilon)));
  const pWith = (e: number): number => Math.max(fisherF(e * df1, e * df2).upper(f), Number.MIN_VALUE);
  // With fewer subjects than it needs, Huynh and Feldt's formula leaves its range; sphericity is then the bound.
  const epsilonHf = huynhFeldt > 0 && n - 1 > df1 * epsilon ? Math.max(huynhFeldt, epsilon) : 1;
  return {
    condition: { ss: ssCondition, df: df1 },
    subject: { ss: ssSubject, df: n - 1 },
    error: { ss: ssError, df: df2 },
    f,
    p: pWith(1),
    greenhouseGeisser: { epsilon, p: pWith(epsilon) },
    huynhFeldt: { epsilon: epsilonHf, p: pWith(epsilonHf) },
    mauchly,
    partialEtaSquared: ssCondition / (ssCondition + ssError),
  };
}
