/** Where a statistic is rejected: the values that are rare enough when there is no effect. */
import { demand } from '../numeric/domain-error';
import type { NamedDistribution } from '../distributions/named';
import type { Direction } from './direction';

/** Rejected is what lies at `lower` or below it, and at `upper` or above it; on a side where nothing is, none is told. */
export interface Rejection {
  lower?: number;
  upper?: number;
}

/**
 * The rejection region of a test: two-sided it has half of α on either side. Of a curve in whole steps a step that holds
 * more than its share is not in the region: it begins one further out, or nowhere.
 * @throws DomainError where the curve has no such values
 */
export function rejectionOf(curve: NamedDistribution, direction: Direction, alpha: number): Rejection {
  const share = direction === 'either' ? alpha / 2 : alpha;
  const most = share * (1 + 1e-9);
  const end = (way: 'lower' | 'upper'): number | undefined => {
    const found = way === 'upper' ? curve.upperQuantile(share) : curve.quantile(share);
    demand(found.ok, 'This distribution has no critical value.');
    if (!curve.discrete) return found.value;
    const step = way === 'upper' ? 1 : -1;
    const [at, beyond] = [curve[way](found.value), curve[way](found.value + step)];
    if (at.ok && at.value <= most) return found.value;
    return beyond.ok && beyond.value > 0 ? found.value + step : undefined;
  };
  const [lower, upper] = [
    direction === 'greater' ? undefined : end('lower'),
    direction === 'less' ? undefined : end('upper'),
  ];
  return { ...(lower === undefined ? {} : { lower }), ...(upper === undefined ? {} : { upper }) };
}

/** Its critical values, from the lower to the upper. */
export const criticalValuesOf = ({ lower, upper }: Rejection): number[] =>
  [lower, upper].filter((value) => value !== undefined);

/** Whether a statistic lies in it. */
export const isRejected = ({ lower, upper }: Rejection, statistic: number): boolean =>
  (lower !== undefined && statistic <= lower) || (upper !== undefined && statistic >= upper);
