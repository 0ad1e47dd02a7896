/** The F of fixed effects whose covariance rests on estimated variances. Source: Kenward & Roger (1997). */
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { fisherF } from '../distributions/f';
import { demand } from '../numeric/domain-error';

export interface WaldF {
  f: number;
  df1: number;
  df2: number;
  p: number;
}

/** A symmetric matrix factored; what rounding left of asymmetry is taken off. @throws DomainError where it is not finite */
export function cholesky(a: Matrix): CholeskyDecomposition {
  demand(
    a.to1DArray().every(Number.isFinite),
    'The readings vary too little for a mixed model: one of its variances is nothing beside the others.',
  );
  return new CholeskyDecomposition(Matrix.add(a, a.transpose()).mul(0.5));
}

/** Degrees of freedom that are a whole number but for rounding are that number. */
export const wholeDf = (df: number, within = 1e-9): number =>
  Math.abs(df - Math.round(df)) < within * df ? Math.round(df) : df;

/**
 * @param squared the Wald statistic, by the adjusted covariance
 * @param l how many linearly independent sums are tested together
 * @param a how far the estimated variances move it: A₁ and A₂
 */
export function kenwardRogerF(squared: number, l: number, [a1, a2]: readonly [number, number], round?: number): WaldF {
  const told = (f: number, df2: number): WaldF => ({
    f,
    df1: l,
    df2,
    p: Math.max(fisherF(l, df2).upper(f), Number.MIN_VALUE),
  });
  if (l === 1) return told(squared, wholeDf(2 / a2, round));
  const b = (a1 + 6 * a2) / (2 * l);
  const g = ((l + 1) * a1 - (l + 4) * a2) / ((l + 2) * a2);
  const d = 3 * l + 2 * (1 - g);
  const mean = 1 / (1 - a2 / l);
  const spread = ((2 / l) * (1 + (g / d) * b)) / ((1 - ((l - g) / d) * b) ** 2 * (1 - ((l + 2 - g) / d) * b));
  const df2 = wholeDf(4 + (l + 2) / (l * (spread / (2 * mean ** 2)) - 1), round);
  demand(df2 > 2 && Number.isFinite(df2), 'There are too few samples to judge all groups together.');
  return told(((df2 / (mean * (df2 - 2))) * squared) / l, df2);
}
