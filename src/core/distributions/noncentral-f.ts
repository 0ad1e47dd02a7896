import { demand } from '../numeric/domain-error';
import { betaLower, gammaLower, gammaUpper, logBeta, poissonWeight } from '../numeric/special';

/** Tails t(0), t(1), … whose neighbours differ by a known step: the tails of betas and gammas whose shape grows by 1. */
interface Tails {
  at: (j: number) => number;
  /** |t(j + 1) − t(j)|. */
  step: (j: number) => number;
  /** The step from j + 1 over that from j. */
  ratio: (j: number) => number;
  /** Whether the tails grow with j. */
  rising: boolean;
}

/** Beyond this mean of the weights, their number grows past what can be summed while somebody waits. */
const mostSummed = 1e7;

/**
 * The same where the weights are too many to be summed: their distribution as a normal one with its skewness put right, by
 * the trapezoid rule, which is all but exact for a smooth tail under a normal curve. What is neglected is of the order of
 * 1/half. Source: Cornish and Fisher (1938).
 */
function normalMixture(half: number, at: Tails['at']): number {
  const width = 0.1;
  let total = 0;
  for (let z = -9; z < 9 + width / 2; z += width)
    total += Math.exp(-(z * z) / 2) * at(half + z * Math.sqrt(half) + (z * z - 1) / 6);
  return Math.min(1, (total * width) / Math.sqrt(2 * Math.PI));
}

/**
 * Σ Poisson(j; half) · t(j), from the middle of the weights outwards until nothing more is added: the form both the
 * noncentral F and the noncentral chi-square have. One tail is taken directly, the others by their steps; where a step
 * is taken away, what is lost is small beside the terms on the other side of the middle.
 */
function poissonMixture(half: number, tails: Tails): number {
  if (half === 0) return tails.at(0);
  if (half > mostSummed) return normalMixture(half, tails.at);
  const { at, step: stepFrom, ratio, rising } = tails;
  const middle = Math.floor(half);
  const weight = poissonWeight(middle, half);
  const start = at(middle);
  let total = weight * start;
  /** A step from its neighbour's, or anew where that was too small to be told from 0. */
  const stepAt = (j: number, neighbour: number): number => (neighbour > 1e-280 ? neighbour : stepFrom(j));

  let before = total;
  let step = stepAt(middle, 0);
  for (let j = middle + 1, w = weight, tail = start; ; j++) {
    w *= half / j;
    tail = Math.max(0, rising ? tail + step : tail - step);
    step = stepAt(j, step * ratio(j - 1));
    const add = w * tail;
    total += add;
    if (w < 1e-320 || (add <= before && add <= total * 1e-17)) break;
    before = add;
  }
  before = 0;
  for (let j = middle - 1, w = weight, tail = start; j >= 0; j--) {
    w *= (j + 1) / half;
    step = stepAt(j, j === middle - 1 ? 0 : step / ratio(j));
    tail = Math.max(0, rising ? tail - step : tail + step);
    const add = w * tail;
    total += add;
    if (w === 0 || (add <= before && add <= total * 1e-17)) break;
    before = add;
  }
  return Math.min(1, total);
}

/** The beta tails of a noncentral F at (df1/df2)·f = x/y with x + y = 1, the lower or the upper ones. */
function betaTails(f: number, df1: number, df2: number, rising: boolean): Tails {
  const scaled = (df1 / df2) * f;
  const [x, y] = [scaled / (1 + scaled), 1 / (1 + scaled)];
  const [a, b] = [df1 / 2, df2 / 2];
  return {
    at: (j) => (rising ? betaLower(y, x, b, a + j) : betaLower(x, y, a + j, b)),
    step: (j) => Math.exp((a + j) * Math.log(x) - b * Math.log1p(scaled) - Math.log(a + j) - logBeta(a + j, b)),
    ratio: (j) => (x * (a + j + b)) / (a + j + 1),
    rising,
  };
}

/** The gamma tails of a noncentral chi-square, the lower or the upper ones. */
function gammaTails(x: number, df: number, rising: boolean): Tails {
  const [a, half] = [df / 2, x / 2];
  return {
    at: (j) => (rising ? gammaUpper(a + j, half) : gammaLower(a + j, half)),
    step: (j) => poissonWeight(a + j, half),
    ratio: (j) => half / (a + j + 1),
    rising,
  };
}

/**
 * Upper tail of the noncentral F: P(F ≥ f) with noncentrality λ. Source: Patnaik (1949), as a Poisson mixture of beta
 * tails, each taken directly.
 */
export function noncentralFUpper(f: number, df1: number, df2: number, noncentrality: number): number {
  demand(df1 > 0 && df2 > 0, 'Degrees of freedom must be above 0.');
  demand(noncentrality >= 0, 'A noncentrality cannot be negative.');
  return f <= 0 ? 1 : poissonMixture(noncentrality / 2, betaTails(f, df1, df2, true));
}

/** Lower tail of the noncentral F. */
export function noncentralFLower(f: number, df1: number, df2: number, noncentrality: number): number {
  demand(df1 > 0 && df2 > 0, 'Degrees of freedom must be above 0.');
  demand(noncentrality >= 0, 'A noncentrality cannot be negative.');
  return f <= 0 ? 0 : poissonMixture(noncentrality / 2, betaTails(f, df1, df2, false));
}

/** Upper tail of the noncentral chi-square, P(X ≥ x). Source: Patnaik (1949). */
export function noncentralChiSquareUpper(x: number, df: number, noncentrality: number): number {
  demand(df > 0, 'Degrees of freedom must be above 0.');
  demand(noncentrality >= 0, 'A noncentrality cannot be negative.');
  return x <= 0 ? 1 : poissonMixture(noncentrality / 2, gammaTails(x, df, true));
}

/** Lower tail of the noncentral chi-square, P(X ≤ x). */
export function noncentralChiSquareLower(x: number, df: number, noncentrality: number): number {
  demand(df > 0, 'Degrees of freedom must be above 0.');
  demand(noncentrality >= 0, 'A noncentrality cannot be negative.');
  return x <= 0 ? 0 : poissonMixture(noncentrality / 2, gammaTails(x, df, false));
}
