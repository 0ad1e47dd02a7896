import { demand } from '../numeric/domain-error';
import { gammaLower, gammaUpper, logGamma, logGammaUpper } from '../numeric/special';
import { type Distribution, withQuantiles } from './distribution';
import { normal } from './normal';

/**
 * Chi-square with real degrees of freedom. Source: Pearson (1900); P(X ≥ x) = Q(ν/2, x/2). First guess at a quantile by
 * Wilson & Hilferty (1931).
 * @throws DomainError unless df > 0
 */
export function chiSquare(df: number): Distribution {
  demand(df > 0, 'Degrees of freedom must be above 0.');
  const half = df / 2;
  return withQuantiles({
    symbol: 'χ²',
    density: (x) => (x <= 0 ? 0 : Math.exp((half - 1) * Math.log(x / 2) - x / 2 - logGamma(half)) / 2),
    lower: (x) => gammaLower(half, x / 2),
    upper: (x) => gammaUpper(half, x / 2),
    logUpper: (x) => logGammaUpper(half, x / 2),
    from: 0,
    to: Infinity,
    guess: (p) => {
      const spread = 2 / (9 * df);
      return df * Math.max(0.01, 1 - spread + normal.quantile(p) * Math.sqrt(spread)) ** 3;
    },
  });
}
