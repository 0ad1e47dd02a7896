import { demand } from '../numeric/domain-error';
import { integratePeaked } from '../numeric/quadrature';
import { logUpper } from './normal';
import { logScaleDensity } from './scale-mixture';

/**
 * Upper tail of the noncentral t: P(T ≥ t) where T = (Z + δ)/√(χ²/ν). Found by integrating over the
 * logarithm x of the scale √(χ²/ν), P = ∫ P(Z ≥ t·eˣ − δ) f(x) dx, whose integrand has one peak and no corner, so the
 * relative accuracy holds far out and for fractional df.
 * Source: Johnson & Welch (1940).
 * @param df degrees of freedom ν > 0, real
 * @param shift noncentrality δ, any real
 */
export function noncentralTUpper(t: number, df: number, shift: number): number {
  demand(df > 0, 'Degrees of freedom must be above 0.');
  const logDensity = logScaleDensity(df);
  return Math.min(
    1,
    integratePeaked((x) => logUpper(t * Math.exp(x) - shift) + logDensity(x), 0),
  );
}

/** Lower tail, by the mirror image: P(T ≤ t; δ) = P(T ≥ −t; −δ). */
export const noncentralTLower = (t: number, df: number, shift: number): number => noncentralTUpper(-t, df, -shift);
