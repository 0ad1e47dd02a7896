import { demand } from '../numeric/domain-error';
import { trapezoid } from '../numeric/quadrature';
import { logGamma } from '../numeric/special';

/**
 * ln of the density of x = ln √(χ²_ν/ν), with the large terms cancelled by hand: ν of a million keeps its digits.
 * Stirling's series (1730) stands for ln Γ where that is large.
 */
export function logScaleDensity(df: number): (x: number) => number {
  const a = df / 2;
  const constant =
    a > 25
      ? Math.LN2 + Math.log(a / (2 * Math.PI)) / 2 - 1 / (12 * a) + 1 / (360 * a ** 3) - 1 / (1260 * a ** 5)
      : Math.LN2 + a * Math.log(a) - a - logGamma(a);
  return (x) => constant + df * (x - Math.expm1(2 * x) / 2);
}

/**
 * E f(√(χ²_ν/ν)): the mean of a tail over the estimate of the standard deviation it is measured in. The integral runs
 * over the logarithm of the scale, between ends placed about the peak of the whole integrand, so that far tails keep
 * their relative accuracy.
 * @param df ν > 0, real; Infinity takes the scale as known
 * @param rate how f falls: about as exp(−rate·u²)
 */
export function overScale(df: number, rate: number, f: (u: number) => number): number {
  demand(df > 0, 'Degrees of freedom must be above 0.');
  if (df > 1e8) return f(1);
  const logDensity = logScaleDensity(df);
  const peak = Math.log(df / (df + 2 * rate)) / 2;
  const width = 1 / Math.sqrt(2 * df);
  const from = peak - Math.max(9 * width, 38 / df);
  const to = peak + Math.min(9 * width, 4);
  // The density of the logarithm is smooth within π/4 of the real line, which bounds the step with few df.
  const step = Math.min(0.4 * width, 0.14);
  return trapezoid((x) => Math.exp(logDensity(x)) * f(Math.exp(x)), from, to, step);
}
