import type { TwoByTwo } from './fisher-exact';
import { type Interval, checkedLevel } from './interval';
import { betaShare, proportionInterval } from './one-proportion';

export interface PairedProportions {
  /** First share minus second. */
  difference: number;
  interval: Interval;
  /**
   * How often pairs changed one way over how often the other; an end is 0 or infinite where one never happened, and the
   * estimate NaN where neither did.
   */
  oddsRatio: { estimate: number; interval: Interval };
}

/**
 * Two proportions of the same subjects: their difference with Newcombe's (1998, method 10) interval, which allows for
 * what the two have in common, and the odds of changing one way rather than the other with the exact interval.
 * @param table rows first, columns second; the first of each is the outcome asked about
 */
export function pairedProportions([[a, b], [c, d]]: TwoByTwo, level: number): PairedProportions {
  const n = a + b + c + d;
  const [first, second] = [a + b, a + c];
  const [p1, p2] = [first / n, second / n];
  const [w1, w2] = [first, second].map((successes) => proportionInterval({ successes, n }, level, 'wilson')) as [
    Interval,
    Interval,
  ];
  const product = (a + b) * (c + d) * (a + c) * (b + d);
  const cross = a * d - b * c;
  // Newcombe's correction takes half a pair from an association that is positive.
  const phi = product === 0 ? 0 : (cross > 0 ? Math.max(0, cross - n / 2) : cross) / Math.sqrt(product);
  const reach = (x: number, y: number): number => Math.sqrt(Math.max(0, x * x - 2 * phi * x * y + y * y));
  const tail = (1 - checkedLevel(level)) / 2;
  const changed = b + c;
  const odds = (p: number): number => (p === 1 ? Infinity : p / (1 - p));
  return {
    difference: p1 - p2,
    interval: { low: p1 - p2 - reach(p1 - w1.low, w2.high - p2), high: p1 - p2 + reach(w1.high - p1, p2 - w2.low) },
    oddsRatio: {
      estimate: changed === 0 ? NaN : c === 0 ? Infinity : b / c,
      interval: {
        low: b === 0 ? 0 : odds(betaShare(tail, b, changed - b + 1)),
        high: c === 0 ? Infinity : odds(1 - betaShare(tail, changed - b, b + 1)),
      },
    },
  };
}
