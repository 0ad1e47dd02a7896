import { mostOf } from '../numeric/extremes';
import { demand } from '../numeric/domain-error';
import { interpolated } from '../numeric/interpolated';
import { smoothStep, trapezoid } from '../numeric/quadrature';
import { solveTail } from '../numeric/solve';
import { normal } from './normal';
import { overScale } from './scale-mixture';

/** What shapes the distribution of several groups' differences from one control. */
export interface DunnettShape {
  /** For each group against the control, √(n/(n + n₀)): the share of its error that it has in common with the others. */
  loadings: readonly number[];
  /** Degrees of freedom of the common standard deviation; real, Infinity where it is known. */
  df: number;
  /** Whether both tails count. */
  twoSided: boolean;
}

/** Loadings from the sizes of the groups and of the control. */
export const dunnettLoadings = (sizes: readonly number[], control: number): number[] =>
  sizes.map((n) => Math.sqrt(n / (n + control)));

/**
 * P(the largest of the t statistics against the control ≥ c), of their absolute values when two-sided. The statistics
 * share the control's error; given that error z they are independent, so one integral over z and one over the scale
 * suffice for any group sizes. Source: Dunnett (1955, 1964).
 * @throws DomainError with no group, or df not above 0
 */
export const dunnettUpper = (c: number, shape: DunnettShape): number => dunnettTail(shape)(c);

/** The same for one shape and many statistics: what does not depend on them is computed once. */
export function dunnettTail({ loadings, df, twoSided }: DunnettShape): (c: number) => number {
  demand(loadings.length > 0, 'A comparison with a control needs at least one other group.');
  // Groups of one size have one loading, and count together.
  const parts = [...new Set(loadings)].map((l) => ({
    l,
    rest: Math.sqrt(1 - l * l),
    times: loadings.filter((x) => x === l).length,
  }));
  const most = mostOf(loadings);
  // Each tail turns as steeply as the control's error weighs against its own.
  const steepness = parts.reduce((s, { l, rest, times }) => s + times * (l / rest) ** 2, 1);
  const beyond = interpolated((w) => {
    const edge = 9 + Math.abs(w) * most;
    return trapezoid(
      (z) => {
        let logAllWithin = 0;
        for (const { l, rest, times } of parts) {
          let tail = normal.upper((w - l * z) / rest);
          if (twoSided) tail += normal.upper((w + l * z) / rest);
          logAllWithin += times * Math.log1p(-Math.min(1, tail));
        }
        return normal.density(z) * -Math.expm1(logAllWithin);
      },
      -edge,
      edge,
      smoothStep / Math.sqrt(steepness),
    );
  });
  return (c) =>
    twoSided && c <= 0
      ? 1
      : Math.min(
          1,
          overScale(df, c > 0 ? (c * c) / 2 : 0, (u) => beyond(c * u)),
        );
}

/** The c with upper tail p: the critical value of Dunnett's procedure. */
export function dunnettUpperQuantile(p: number, shape: DunnettShape): number {
  demand(p > 0 && p < 1, 'A probability must lie between 0 and 1.');
  return solveTail({
    tail: dunnettTail(shape),
    p,
    rising: false,
    from: shape.twoSided ? 0 : -Infinity,
    to: Infinity,
    start: 2.5,
    relative: 1e-12,
  });
}
