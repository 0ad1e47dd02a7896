import { demand } from '../numeric/domain-error';
import { betaLower, gammaLower, gammaUpper, logGamma } from '../numeric/special';

/**
 * Σ Poisson(j; half) · term(j), from the middle of the Poisson weights outwards until nothing more is added: the form
 * both the noncentral F and the noncentral chi-square have.
 */
function poissonMixture(half: number, term: (j: number) => number): number {
  const weight = (j: number): number => Math.exp(j * Math.log(half) - half - logGamma(j + 1));
  if (half === 0) return term(0);
  const middle = Math.floor(half);
  let total = 0;
  for (let j = middle; ; j++) {
    const add = weight(j) * term(j);
    total += add;
    if (j > middle + 4 && (add <= total * 1e-17 || weight(j) < 1e-320)) break;
  }
  for (let j = middle - 1; j >= 0; j--) {
    const add = weight(j) * term(j);
    total += add;
    if (add <= total * 1e-17) break;
  }
  return Math.min(1, total);
}

/**
 * Upper tail of the noncentral F: P(F ≥ f) with noncentrality λ. Source: Patnaik (1949), as a Poisson mixture of beta
 * tails, each taken directly.
 */
export function noncentralFUpper(f: number, df1: number, df2: number, noncentrality: number): number {
  demand(df1 > 0 && df2 > 0, 'Degrees of freedom must be above 0.');
  demand(noncentrality >= 0, 'A noncentrality cannot be negative.');
  if (f <= 0) return 1;
  const ratio = (df1 / df2) * f;
  return poissonMixture(noncentrality / 2, (j) =>
    betaLower(1 / (1 + ratio), ratio / (1 + ratio), df2 / 2, df1 / 2 + j),
  );
}

/** Lower tail of the noncentral F. */
export function noncentralFLower(f: number, df1: number, df2: number, noncentrality: number): number {
  demand(df1 > 0 && df2 > 0, 'Degrees of freedom must be above 0.');
  demand(noncentrality >= 0, 'A noncentrality cannot be negative.');
  if (f <= 0) return 0;
  const ratio = (df1 / df2) * f;
  return poissonMixture(noncentrality / 2, (j) =>
    betaLower(ratio / (1 + ratio), 1 / (1 + ratio), df1 / 2 + j, df2 / 2),
  );
}

/** Upper tail of the noncentral chi-square, P(X ≥ x). Source: Patnaik (1949). */
export function noncentralChiSquareUpper(x: number, df: number, noncentrality: number): number {
  demand(df > 0, 'Degrees of freedom must be above 0.');
  demand(noncentrality >= 0, 'A noncentrality cannot be negative.');
  return x <= 0 ? 1 : poissonMixture(noncentrality / 2, (j) => gammaUpper(df / 2 + j, x / 2));
}

/** Lower tail of the noncentral chi-square, P(X ≤ x). */
export function noncentralChiSquareLower(x: number, df: number, noncentrality: number): number {
  demand(df > 0, 'Degrees of freedom must be above 0.');
  demand(noncentrality >= 0, 'A noncentrality cannot be negative.');
  return x <= 0 ? 0 : poissonMixture(noncentrality / 2, (j) => gammaLower(df / 2 + j, x / 2));
}
