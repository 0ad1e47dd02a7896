import { type Binomial, binomial } from '../distributions/binomial';
import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { solveTail } from '../numeric/solve';
import { logBeta } from '../numeric/special';
import { type TailProbabilities, symmetricTails } from './direction';
import { type Interval, checkedLevel } from './interval';

/** Successes out of so many. */
export interface Share {
  successes: number;
  n: number;
}

/** A share whose numbers can be one. */
export function checkedShare({ successes, n }: Share): Share {
  demand(Number.isInteger(n) && n >= 1, 'The number counted must be a whole number of at least 1.');
  demand(Number.isInteger(successes) && successes >= 0, 'The count must be a whole number, 0 or more.');
  demand(successes <= n, `${successes} out of ${n} cannot be: the count exceeds the number counted.`);
  return { successes, n };
}

export type ProportionInterval = 'wilson' | 'clopper-pearson' | 'agresti-coull' | 'wald';

/**
 * Interval for one proportion. Wilson's score interval (1927) holds its level well at any n; Clopper & Pearson's (1934)
 * never falls below it; Agresti & Coull's (1998) is Wilson's made simple; Wald's fails near 0 and 1 and is here to be compared.
 */
export function proportionInterval(share: Share, level: number, method: ProportionInterval): Interval {
  const { successes, n } = checkedShare(share);
  const alpha = 1 - checkedLevel(level);
  const z = normal.upperQuantile(alpha / 2);
  const p = successes / n;
  switch (method) {
    case 'wald': {
      const reach = z * Math.sqrt((p * (1 - p)) / n);
      return { low: p - reach, high: p + reach };
    }
    case 'agresti-coull': {
      const n2 = n + z * z;
      const centre = (successes + (z * z) / 2) / n2;
      const reach = z * Math.sqrt((centre * (1 - centre)) / n2);
      return { low: Math.max(0, centre - reach), high: Math.min(1, centre + reach) };
    }
    case 'wilson': {
      const scale = 1 + (z * z) / n;
      const centre = (p + (z * z) / (2 * n)) / scale;
      const reach = (z / scale) * Math.sqrt((p * (1 - p)) / n + (z * z) / (4 * n * n));
      return { low: successes === 0 ? 0 : centre - reach, high: successes === n ? 1 : centre + reach };
    }
    case 'clopper-pearson':
      return {
        low: successes === 0 ? 0 : betaShare(alpha / 2, successes, n - successes + 1),
        high: successes === n ? 1 : 1 - betaShare(alpha / 2, n - successes, successes + 1),
      };
  }
}

/** The x with I_x(a, b) = p, for whole a and b: the lower tail of a beta distribution. */
export function betaShare(p: number, a: number, b: number): number {
  const n = a + b - 1;
  const log = logBeta(a, b);
  return solveTail({
    tail: (x) => binomial(n, x).upper(a),
    p,
    rising: true,
    density: (x) => Math.exp((a - 1) * Math.log(x) + (b - 1) * Math.log1p(-x) - log),
    from: 0,
    to: 1,
    start: a / (a + b),
  });
}

export interface OneProportion {
  proportion: number;
  z: number;
  /** Large-sample p-values, with the spread the null proportion gives. */
  p: TailProbabilities;
  /** Exact binomial p-values; two-sided: all counts no more likely than the one seen. */
  exact: TailProbabilities;
}

function exactTails(distribution: Binomial, { successes, n }: Share): TailProbabilities {
  const seen = distribution.mass(successes) * (1 + 1e-7);
  let either = 0;
  for (let k = 0; k <= n; k++) {
    const mass = distribution.mass(k);
    if (mass <= seen) either += mass;
  }
  return { either: Math.min(1, either), greater: distribution.upper(successes), less: distribution.lower(successes) };
}

/**
 * One proportion against a stated one. The large-sample test wants np₀ and n(1 − p₀) of 5 or more; the exact one holds always.
 * Source: de Moivre (1733); exact: Clopper & Pearson (1934).
 */
export function oneProportion(share: Share, nullProportion: number): OneProportion {
  const { successes, n } = checkedShare(share);
  demand(nullProportion > 0 && nullProportion < 1, 'The stated proportion must lie between 0 and 1.');
  const proportion = successes / n;
  const z = (proportion - nullProportion) / Math.sqrt((nullProportion * (1 - nullProportion)) / n);
  return {
    proportion,
    z,
    p: symmetricTails(normal, z),
    exact: exactTails(binomial(n, nullProportion), { successes, n }),
  };
}
