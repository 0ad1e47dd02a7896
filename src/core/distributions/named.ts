/**
 * Every distribution by name, for whoever asks from outside: parameters are checked first, and what cannot be computed
 * comes back as a reason in words, never as NaN and never as an exception.
 */
import { nth } from '../numeric/nth';
import { type Outcome, attempt, demand } from '../numeric/domain-error';
import { solveTail } from '../numeric/solve';
import { binomial } from './binomial';
import { chiSquare } from './chi-square';
import type { CountedSums } from './counted';
import { shareOf, signedSums, subsetSums } from './counted';
import { dunnettLoadings, dunnettUpper } from './dunnett';
import { fisherF } from './f';
import { hypergeometric } from './hypergeometric';
import { noncentralChiSquareLower, noncentralChiSquareUpper, noncentralFLower, noncentralFUpper } from './noncentral-f';
import { noncentralTLower, noncentralTUpper } from './noncentral-t';
import { normal } from './normal';
import { studentizedRangeUpper } from './studentized-range';
import { studentT } from './t';

/** A distribution whose every question has an answer or a reason. */
export interface NamedDistribution {
  discrete: boolean;
  /** Probability per unit of x; of a discrete one, of x itself. */
  density: (x: number) => Outcome<number>;
  /** P(X ≤ x). */
  lower: (x: number) => Outcome<number>;
  /** P(X ≥ x). */
  upper: (x: number) => Outcome<number>;
  /** The least x with P(X ≤ x) ≥ p. */
  quantile: (p: number) => Outcome<number>;
  /** The x above which p lies; of a discrete one, the greatest x with P(X ≥ x) ≥ p. */
  upperQuantile: (p: number) => Outcome<number>;
}

interface Plain {
  discrete?: boolean;
  density: (x: number) => number;
  lower: (x: number) => number;
  upper: (x: number) => number;
  quantile: (p: number) => number;
  upperQuantile: (p: number) => number;
}

const tailed = (
  lower: (x: number) => number,
  upper: (x: number) => number,
  from: number,
  start: number,
  density?: (x: number) => number,
): Plain => {
  const invert = (p: number, rising: boolean): number => {
    if (p === 0) return rising ? from : Infinity;
    if (p === 1) return rising ? Infinity : from;
    return solveTail({ tail: rising ? lower : upper, p, rising, from, to: Infinity, start });
  };
  // Where no closed form is at hand, the density is the slope of the nearer tail.
  const slope = (x: number): number => {
    const step = 1e-4 * Math.max(1, Math.abs(x));
    const [a, b] = [x - step, x + step];
    const rise = lower(x) < 0.5 ? lower(b) - lower(a) : upper(a) - upper(b);
    return Math.max(0, rise / (2 * step));
  };
  return {
    density: density ?? ((x) => (x <= from ? 0 : slope(x))),
    lower,
    upper,
    quantile: (p) => (p <= 0.5 ? invert(p, true) : invert(1 - p, false)),
    upperQuantile: (p) => (p <= 0.5 ? invert(p, false) : invert(1 - p, true)),
  };
};

/** A distribution over whole steps, from its tails; the quantile by halving. */
function stepped(
  from: number,
  to: number,
  step: number,
  mass: (x: number) => number,
  lower: (x: number) => number,
  upper: (x: number) => number,
): Plain {
  const count = Math.round((to - from) / step);
  const at = (i: number): number => from + i * step;
  const first = (holds: (i: number) => boolean): number => {
    let [low, high] = [0, count];
    while (low < high) {
      const middle = Math.floor((low + high) / 2);
      if (holds(middle)) high = middle;
      else low = middle + 1;
    }
    return at(low);
  };
  // A share that rounding puts a hair below p still reaches it.
  const slack = 1 - 1e-12;
  return {
    discrete: true,
    density: mass,
    lower,
    upper,
    quantile: (p) => first((i) => lower(at(i)) >= p * slack),
    upperQuantile: (p) => to - (first((i) => upper(to - i * step) >= p * slack) - from),
  };
}

const counted = (sums: CountedSums, scale: number, offset: number, from: number, to: number, step: number): Plain => {
  const raw = (x: number): number => x * scale + offset;
  const near = 1e-9;
  return stepped(
    from,
    to,
    step,
    (x) => shareOf(sums, (s) => Math.abs(s - raw(x)) < near),
    (x) => shareOf(sums, (s) => s <= raw(x) + near),
    (x) => shareOf(sums, (s) => s >= raw(x) - near),
  );
};

const whole = (x: number | undefined, what: string, least = 0): number => {
  demand(x !== undefined && Number.isInteger(x) && x >= least, `${what} must be a whole number of at least ${least}.`);
  return x;
};
const number = (x: number | undefined, what: string): number => {
  demand(x !== undefined && !Number.isNaN(x), `${what} must be a number.`);
  return x;
};
const above0 = (x: number | undefined, what: string): number => {
  demand(x !== undefined && x > 0, `${what} must be above 0.`);
  return x;
};
const atLeast0 = (x: number | undefined, what: string): number => {
  demand(x !== undefined && x >= 0 && Number.isFinite(x), `${what} must be 0 or more.`);
  return x;
};

type Parameters = Readonly<Record<string, number>>;

const makers = {
  normal: ({ mean = 0, sd = 1 }: Parameters): Plain => {
    above0(sd, 'The standard deviation');
    const z = (x: number): number => (x - number(mean, 'The mean')) / sd;
    return {
      density: (x) => normal.density(z(x)) / sd,
      lower: (x) => normal.lower(z(x)),
      upper: (x) => normal.upper(z(x)),
      quantile: (p) => mean + sd * normal.quantile(p),
      upperQuantile: (p) => mean + sd * normal.upperQuantile(p),
    };
  },
  t: ({ df }: Parameters): Plain => studentT(above0(df, 'Degrees of freedom')),
  f: ({ df1, df2 }: Parameters): Plain =>
    fisherF(above0(df1, 'The first degrees of freedom'), above0(df2, 'The second degrees of freedom')),
  'chi-square': ({ df }: Parameters): Plain => chiSquare(above0(df, 'Degrees of freedom')),
  binomial: ({ n, p }: Parameters): Plain => {
    const trials = whole(n, 'The number of trials');
    const { mass, lower, upper } = binomial(trials, number(p, 'The probability'));
    return stepped(
      0,
      trials,
      1,
      mass,
      (x) => lower(Math.floor(x)),
      (x) => upper(Math.ceil(x)),
    );
  },
  /** The first cell of a 2 × 2 table with its margins fixed; with an odds ratio other than 1, Fisher's noncentral one. */
  hypergeometric: ({ drawn, marked, total, oddsRatio = 1 }: Parameters): Plain => {
    const table = hypergeometric(
      whole(drawn, 'The number drawn'),
      whole(marked, 'The number marked'),
      whole(total, 'The total'),
      oddsRatio,
    );
    const to = table.from + table.masses.length - 1;
    return stepped(
      table.from,
      to,
      1,
      (x) => nth(table.masses, x - table.from),
      (x) => table.lower(Math.floor(x)),
      (x) => table.upper(Math.ceil(x)),
    );
  },
  'studentized-range': ({ groups, df }: Parameters): Plain => {
    const k = whole(groups, 'The number of groups', 2);
    const upper = (q: number): number => studentizedRangeUpper(q, k, above0(df, 'Degrees of freedom'));
    return tailed((q) => 1 - upper(q), upper, 0, 3);
  },
  /** The largest of several differences from one control, groups of equal size. */
  dunnett: ({ groups, df, twoSided = 1 }: Parameters): Plain => {
    const k = whole(groups, 'The number of groups beside the control', 1);
    const loadings = dunnettLoadings(new Array<number>(k).fill(1), 1);
    const shape = { loadings, df: above0(df, 'Degrees of freedom'), twoSided: twoSided !== 0 };
    const upper = (d: number): number => dunnettUpper(d, shape);
    return tailed((d) => 1 - upper(d), upper, shape.twoSided ? 0 : -Infinity, 2);
  },
  'noncentral-t': ({ df, shift }: Parameters): Plain => {
    const [nu, delta] = [above0(df, 'Degrees of freedom'), number(shift, 'The noncentrality')];
    return tailed(
      (t) => noncentralTLower(t, nu, delta),
      (t) => noncentralTUpper(t, nu, delta),
      -Infinity,
      delta,
    );
  },
  'noncentral-f': ({ df1, df2, noncentrality }: Parameters): Plain => {
    const [a, b] = [above0(df1, 'The first degrees of freedom'), above0(df2, 'The second degrees of freedom')];
    const lambda = atLeast0(noncentrality, 'The noncentrality');
    return tailed(
      (f) => noncentralFLower(f, a, b, lambda),
      (f) => noncentralFUpper(f, a, b, lambda),
      0,
      1 + lambda / a,
    );
  },
  'noncentral-chi-square': ({ df, noncentrality }: Parameters): Plain => {
    const nu = above0(df, 'Degrees of freedom');
    const lambda = atLeast0(noncentrality, 'The noncentrality');
    return tailed(
      (x) => noncentralChiSquareLower(x, nu, lambda),
      (x) => noncentralChiSquareUpper(x, nu, lambda),
      0,
      nu + lambda,
    );
  },
  /** Sum of the positive ranks of n differences without ties. */
  'signed-rank': ({ n }: Parameters): Plain => {
    const size = whole(n, 'The number of differences', 1);
    demand(size <= 200, 'Beyond 200 differences the normal curve stands in: ask that.');
    const most = (size * (size + 1)) / 2;
    return counted(signedSums(Array.from({ length: size }, (_, i) => i + 1)), 2, -most, 0, most, 1);
  },
  /** Mann and Whitney's U of two groups without ties. */
  'rank-sum': ({ n1, n2 }: Parameters): Plain => {
    const [a, b] = [whole(n1, 'The first group', 1), whole(n2, 'The second group', 1)];
    demand(a + b <= 120, 'Beyond 120 readings the normal curve stands in: ask that.');
    const ranks = Array.from({ length: a + b }, (_, i) => i + 1);
    return counted(subsetSums(ranks, a), 1, (a * (a + 1)) / 2, 0, a * b, 1);
  },
} satisfies Record<string, (parameters: Parameters) => Plain>;

export type DistributionName = keyof typeof makers;
export const distributionNames = Object.keys(makers) as DistributionName[];

/** A distribution by name and parameters, or why there is none. */
export function named(name: DistributionName, parameters: Parameters): Outcome<NamedDistribution> {
  return attempt(() => {
    const made: Plain = makers[name](parameters);
    const safely =
      (compute: (x: number) => number, check: (x: number) => void) =>
      (x: number): Outcome<number> =>
        attempt(() => {
          check(x);
          const value = compute(x);
          demand(!Number.isNaN(value), 'This lies beyond what can be computed here.');
          return value;
        });
    const place = (x: number): void => demand(!Number.isNaN(x), 'The value must be a number.');
    const share = (p: number): void => demand(p >= 0 && p <= 1, 'A probability must lie between 0 and 1.');
    return {
      discrete: made.discrete ?? false,
      density: safely(made.density, place),
      lower: safely(made.lower, place),
      upper: safely(made.upper, place),
      quantile: safely(made.quantile, share),
      upperQuantile: safely(made.upperQuantile, share),
    };
  });
}
