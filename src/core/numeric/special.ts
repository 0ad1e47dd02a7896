/** The special functions everything stands on, each with its upper tail taken directly, never as 1 − lower. */
import betainc from '@stdlib/math-base-special-betainc';
import erfc from '@stdlib/math-base-special-erfc';
import erfcinv from '@stdlib/math-base-special-erfcinv';
import gammaln from '@stdlib/math-base-special-gammaln';

export { erfc, erfcinv };
export { gammaLower, gammaUpper, poissonWeight } from './incomplete-gamma';

/** ln Γ(x), x > 0. */
export const logGamma: (x: number) => number = gammaln;

/** Regularized incomplete beta I_x(a, b), given x and its complement, of which the smaller is trusted. */
export function betaLower(x: number, complement: number, a: number, b: number): number {
  if (x <= complement) return betainc(x, a, b, true, false);
  // What is left over is near 1 where the other side is small; the direct form loses digits there.
  const other = betainc(complement, b, a, true, false);
  return other < 0.5 ? 1 - other : betainc(complement, b, a, true, true);
}

/** ln B(a, b). */
export const logBeta = (a: number, b: number): number => gammaln(a) + gammaln(b) - gammaln(a + b);
