import { dunnettLoadings, dunnettTail, dunnettUpperQuantile } from '../distributions/dunnett';
import { demand } from '../numeric/domain-error';
import type { Direction } from './direction';
import { type Interval, checkedLevel } from './interval';
import { type Pair, againstControl, pooledPairs, withinGroups } from './pairwise';
import type { SampleSummary } from './sample-summary';

export interface DunnettPair extends Pair {
  /** p adjusted for all comparisons with the control. */
  p: number;
  /** Simultaneous interval; one end is infinite when one-sided. */
  interval: Interval;
}

/**
 * Dunnett's test: each group against one control, for any group sizes. Assumes what one-way ANOVA does.
 * Source: Dunnett (1955, 1964).
 * @param control place of the control in the list
 */
export function dunnettTest(
  groups: readonly SampleSummary[],
  control: number,
  level: number,
  direction: Direction = 'either',
): { criticalT: number; pairs: DunnettPair[] } {
  const reference = groups[control];
  demand(
    reference !== undefined && groups.length >= 2,
    'A comparison with a control needs the control and another group.',
  );
  const others = groups.filter((_, i) => i !== control);
  const shape = {
    loadings: dunnettLoadings(
      others.map((g) => g.n),
      reference.n,
    ),
    df: withinGroups(groups).df,
    twoSided: direction === 'either',
  };
  const criticalT = dunnettUpperQuantile(1 - checkedLevel(level), shape);
  const tail = dunnettTail(shape);
  const pairs = pooledPairs(groups, againstControl(groups.length, control)).map((pair) => {
    const statistic = direction === 'either' ? Math.abs(pair.t) : direction === 'greater' ? pair.t : -pair.t;
    const reach = criticalT * pair.se;
    return {
      ...pair,
      p: Math.max(tail(statistic), Number.MIN_VALUE),
      interval: {
        low: direction === 'less' ? -Infinity : pair.difference - reach,
        high: direction === 'greater' ? Infinity : pair.difference + reach,
      },
    };
  });
  return { criticalT, pairs };
}
