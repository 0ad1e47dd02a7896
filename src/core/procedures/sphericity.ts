/** How equally orthonormal contrasts of conditions vary: Greenhouse & Geisser's ε and Mauchly's test. */
import { chiSquare } from '../distributions/chi-square';
import { addTo } from '../numeric/add-to';
import { nth } from '../numeric/nth';
import { sum } from '../numeric/sum';

/** A test of sphericity. */
export interface Mauchly {
  w: number;
  chi2: number;
  df: number;
  p: number;
}

/** Determinant by elimination with pivots. */
function determinant(matrix: readonly (readonly number[])[]): number {
  const m = matrix.map((row) => [...row]);
  let product = 1;
  for (let j = 0; j < m.length; j++) {
    let best = j;
    for (let i = j + 1; i < m.length; i++) if (Math.abs(nth(nth(m, i), j)) > Math.abs(nth(nth(m, best), j))) best = i;
    const [top, other] = [m[j] ?? [], m[best] ?? []];
    [m[j], m[best]] = [other, top];
    if (best !== j) product = -product;
    const pivot = nth(other, j);
    if (pivot === 0) return 0;
    product *= pivot;
    for (let i = j + 1; i < m.length; i++) {
      const row = m[i] ?? [];
      const factor = nth(row, j) / pivot;
      for (let k = j; k < m.length; k++) addTo(row, k, -factor * nth(other, k));
    }
  }
  return product;
}

/**
 * @param covariance of the contrasts, one for each degree of freedom of the effect
 * @param n how many subjects it was estimated from
 * @returns ε at most 1; the test undefined with one contrast, with too few subjects, or when some combination of the
 * conditions never varies. Source: Greenhouse & Geisser (1959), Mauchly (1940).
 */
export function sphericity(
  covariance: readonly (readonly number[])[],
  n: number,
): { epsilon: number; mauchly: Mauchly | undefined } {
  const k = covariance.length;
  const trace = sum(covariance.map((row, i) => nth(row, i)));
  const epsilon = k === 1 ? 1 : Math.min(1, trace ** 2 / (k * sum(covariance.flat().map((c) => c * c))));
  if (k < 2 || n <= k + 1) return { epsilon, mauchly: undefined };
  const w = determinant(covariance) / (trace / k) ** k;
  const scale = n - 1 - (2 * k * k + k + 2) / (6 * k);
  const chi2 = Math.max(0, -scale * Math.log(w));
  const df = (k * (k + 1)) / 2 - 1;
  // Where some combination of conditions never varies, the determinant is nothing but rounding.
  const mauchly = w > 1e-14 ? { w, chi2, df, p: Math.max(chiSquare(df).upper(chi2), Number.MIN_VALUE) } : undefined;
  return { epsilon, mauchly };
}
