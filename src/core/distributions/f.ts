import { demand } from '../numeric/domain-error';
import { betaLower, logBeta, logBetaLower } from '../numeric/special';
import { type Distribution, withQuantiles } from './distribution';

/**
 * Fisher's F with real degrees of freedom above and below. Source: Fisher (1924), Snedecor (1934);
 * P(F ≥ f) = I(d₂/(d₂+d₁f); d₂/2, d₁/2).
 * @throws DomainError unless both df > 0
 */
export function fisherF(df1: number, df2: number): Distribution {
  demand(df1 > 0 && df2 > 0, 'Degrees of freedom must be above 0.');
  const share = (f: number): [above: number, below: number] => {
    const ratio = (df1 / df2) * f;
    return ratio === Infinity ? [1, 0] : [ratio / (1 + ratio), 1 / (1 + ratio)];
  };
  const logScale = (df1 / 2) * Math.log(df1 / df2) - logBeta(df1 / 2, df2 / 2);
  return withQuantiles({
    symbol: 'F',
    density: (f) =>
      f <= 0 ? 0 : Math.exp(logScale + (df1 / 2 - 1) * Math.log(f) - ((df1 + df2) / 2) * Math.log1p((df1 / df2) * f)),
    lower: (f) => (f <= 0 ? 0 : betaLower(...share(f), df1 / 2, df2 / 2)),
    upper: (f) => {
      if (f <= 0) return 1;
      const [above, below] = share(f);
      return betaLower(below, above, df2 / 2, df1 / 2);
    },
    logUpper: (f) => {
      const [above, below] = share(f);
      return logBetaLower(below, above, df2 / 2, df1 / 2);
    },
    from: 0,
    to: Infinity,
    guess: () => 1,
  });
}
