import { demand } from '../numeric/domain-error';
import { solveTail } from '../numeric/solve';
import { normal } from './normal';
import { overScale } from './scale-mixture';

/**
 * The studentized maximum modulus: P(the largest of m |t| ≥ c) of independent normal deviates over one estimate of their
 * standard deviation. Source: Stoline & Ury (1979).
 * @param m how many, at least 1
 * @param df degrees of freedom of that estimate, above 0, real
 */
export function maximumModulusUpper(c: number, m: number, df: number): number {
  demand(m >= 1, 'At least one comparison is needed.');
  if (c <= 0) return 1;
  return Math.min(
    1,
    overScale(df, (c * c) / 2, (u) => -Math.expm1(m * Math.log1p(-Math.min(1, 2 * normal.upper(c * u))))),
  );
}

/** The c with upper tail p: what the largest must exceed. */
export function maximumModulusUpperQuantile(p: number, m: number, df: number): number {
  demand(p > 0 && p < 1, 'A probability must lie between 0 and 1.');
  return solveTail({
    tail: (c) => maximumModulusUpper(c, m, df),
    p,
    rising: false,
    from: 0,
    to: Infinity,
    start: 2.5,
    relative: 1e-12,
  });
}
