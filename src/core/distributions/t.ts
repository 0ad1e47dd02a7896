import { demand } from '../numeric/domain-error';
import { betaLower, logBeta, logBetaLower } from '../numeric/special';
import { type Distribution, withQuantiles } from './distribution';
import { normal } from './normal';

/**
 * Student's t with any positive real number of degrees of freedom. Source: Student (1908); tails by the incomplete
 * beta function, P(T ≥ t) = ½ I(ν/(ν+t²); ν/2, ½) for t ≥ 0.
 * @throws DomainError unless df > 0
 */
export function studentT(df: number): Distribution {
  const before = known.get(df);
  if (before) return before;
  demand(df > 0, 'Degrees of freedom must be above 0.');
  const made = df === Infinity ? { ...normal, symbol: 't' } : madeFor(df);
  // Whole numbers come back; others hardly ever do.
  if (Number.isInteger(df) && known.size < 1000) known.set(df, made);
  return made;
}

const known = new Map<number, Distribution>();

function madeFor(df: number): Distribution {
  const upper = (t: number): number => {
    if (t < 0) return 1 - upper(-t);
    const ratio = t / Math.sqrt(df);
    // Past the reach of squares, the first term of the series is the whole tail.
    if (ratio > 1e9) return Math.exp(-df * Math.log(ratio) - Math.log(df) - logBeta(df / 2, 0.5));
    const square = ratio * ratio;
    return betaLower(1 / (1 + square), square / (1 + square), df / 2, 0.5) / 2;
  };
  const logScale = -logBeta(df / 2, 0.5) - Math.log(df) / 2;
  return withQuantiles({
    symbol: 't',
    density: (t) => Math.exp(logScale - ((df + 1) / 2) * Math.log1p((t / Math.sqrt(df)) ** 2)),
    lower: (t) => upper(-t),
    upper,
    logUpper: (t) => {
      const ratio = t / Math.sqrt(df);
      if (ratio > 1e9) return -df * Math.log(ratio) - Math.log(df) - logBeta(df / 2, 0.5);
      const square = ratio * ratio;
      return logBetaLower(1 / (1 + square), square / (1 + square), df / 2, 0.5) - Math.LN2;
    },
    from: -Infinity,
    to: Infinity,
    guess: (p) => {
      const z = normal.quantile(p);
      return z + (z * z * z + z) / (4 * df);
    },
  });
}
