import { normal } from '../distributions/normal';
import { type TailProbabilities, symmetricTails } from './direction';
import { fisherExact } from './fisher-exact';
import { type Interval, checkedLevel } from './interval';
import { type Share, checkedShare, proportionInterval } from './one-proportion';

/** A ratio with its interval on the logarithmic scale; undefined where a zero count leaves none. */
export interface Ratio {
  estimate: number;
  interval: Interval | undefined;
}

export interface TwoProportions {
  /** First share minus second. */
  difference: number;
  /** Pooled large-sample test; 0 where neither group has both outcomes. */
  z: number;
  p: TailProbabilities;
  /** The same with Yates's continuity correction. */
  corrected: TailProbabilities;
  /** Fisher's exact test, worked out when it is asked for. */
  fisher: () => TailProbabilities;
  wald: Interval;
  /** Newcombe's (1998) hybrid score interval, good at small n. */
  newcombe: Interval;
  riskRatio: Ratio;
  oddsRatio: Ratio;
}

function ratio(estimate: number, variance: number, z: number): Ratio {
  const usable = estimate > 0 && Number.isFinite(estimate) && Number.isFinite(variance);
  const reach = z * Math.sqrt(variance);
  return {
    estimate,
    interval: usable ? { low: estimate * Math.exp(-reach), high: estimate * Math.exp(reach) } : undefined,
  };
}

/**
 * Two independent proportions: difference, ratio and odds ratio with intervals; large-sample and exact tests.
 * Source: Pearson (1900); Newcombe (1998); Katz et al. (1978); Woolf (1955).
 * Where all outcomes are the same in both groups no arrangement is further out than the one seen: p is 1, and the
 * intervals of the difference still say how large one could be.
 * @throws DomainError for impossible counts
 */
export function twoProportions(first: Share, second: Share, level: number): TwoProportions {
  const a = checkedShare(first);
  const b = checkedShare(second);
  const z0 = normal.upperQuantile((1 - checkedLevel(level)) / 2);
  const [p1, p2] = [a.successes / a.n, b.successes / b.n];
  const difference = p1 - p2;
  const pooled = (a.successes + b.successes) / (a.n + b.n);
  const same = pooled === 0 || pooled === 1;
  const se = same ? 1 : Math.sqrt(pooled * (1 - pooled) * (1 / a.n + 1 / b.n));
  const z = difference / se;
  const tails = (statistic: number): TailProbabilities =>
    same ? { either: 1, greater: 1, less: 1 } : symmetricTails(normal, statistic);
  const correction = Math.min(Math.abs(difference), (1 / a.n + 1 / b.n) / 2);
  const seWald = Math.sqrt((p1 * (1 - p1)) / a.n + (p2 * (1 - p2)) / b.n);
  const [w1, w2] = [proportionInterval(a, level, 'wilson'), proportionInterval(b, level, 'wilson')];
  const [fa, fb] = [a.n - a.successes, b.n - b.successes];
  return {
    difference,
    z,
    p: tails(z),
    corrected: tails((Math.sign(difference) * (Math.abs(difference) - correction)) / se),
    fisher: () =>
      fisherExact([
        [a.successes, fa],
        [b.successes, fb],
      ]),
    wald: { low: difference - z0 * seWald, high: difference + z0 * seWald },
    newcombe: {
      low: difference - Math.hypot(p1 - w1.low, w2.high - p2),
      high: difference + Math.hypot(w1.high - p1, p2 - w2.low),
    },
    riskRatio: ratio(p1 / p2, 1 / a.successes - 1 / a.n + 1 / b.successes - 1 / b.n, z0),
    oddsRatio: ratio((a.successes * fb) / (fa * b.successes), 1 / a.successes + 1 / fa + 1 / b.successes + 1 / fb, z0),
  };
}
