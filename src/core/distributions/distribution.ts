import { demand } from '../numeric/domain-error';
import { solveTail } from '../numeric/solve';

/** A continuous distribution, with both tails computed directly so that the far one keeps its digits. */
export interface Distribution {
  /** As the field writes it: "t", "F", "χ²" … */
  symbol: string;
  /** Probability per unit of x. */
  density: (x: number) => number;
  /** P(X ≤ x). */
  lower: (x: number) => number;
  /** P(X ≥ x). */
  upper: (x: number) => number;
  /** ln P(X ≥ x) far above the middle, where the tail itself may be too small for a number. */
  logUpper: (x: number) => number;
  /** The x below which the share p lies. */
  quantile: (p: number) => number;
  /** The x above which the share p lies. */
  upperQuantile: (p: number) => number;
}

/** What a distribution is made from; its quantiles follow from its tails. */
export interface Tails {
  symbol: string;
  density: (x: number) => number;
  lower: (x: number) => number;
  upper: (x: number) => number;
  logUpper: (x: number) => number;
  /** The ends of the support. */
  from: number;
  to: number;
  /** A first guess at the x with lower tail p. */
  guess: (p: number) => number;
  /** Set when the density is not the derivative of the tails to full precision, or costs as much as they do. */
  withoutNewton?: boolean;
}

/** Adds quantiles from either tail: the smaller tail is the one inverted, so p of 1e-300 is as exact as 0.3. */
export function withQuantiles(tails: Tails): Distribution {
  const { symbol, density, lower, upper, logUpper, from, to, guess } = tails;
  const invert = (p: number, rising: boolean): number =>
    solveTail({
      tail: rising ? lower : upper,
      p,
      rising,
      ...(tails.withoutNewton ? {} : { density }),
      from,
      to,
      start: guess(rising ? p : 1 - p),
    });
  // The same few levels are asked for again and again.
  const solved = new Map<number, number>();
  const quantile = (p: number, rising: boolean): number => {
    demand(p >= 0 && p <= 1, 'A probability must lie between 0 and 1.');
    if (p === 0) return rising ? from : to;
    if (p === 1) return rising ? to : from;
    const key = rising ? p : -p;
    const before = solved.get(key);
    if (before !== undefined) return before;
    const x = p <= 0.5 ? invert(p, rising) : invert(1 - p, !rising);
    if (solved.size < 64) solved.set(key, x);
    return x;
  };
  return {
    symbol,
    density,
    lower,
    upper,
    logUpper,
    quantile: (p) => quantile(p, true),
    upperQuantile: (p) => quantile(p, false),
  };
}
