import { demand } from '../numeric/domain-error';
import type { Interval } from './interval';

/** Readings on the logarithmic scale, where a ratio is a difference. @throws DomainError unless all are above 0 */
export function logarithms(values: readonly number[], of = 'A reading'): number[] {
  demand(
    values.every((v) => v > 0),
    `${of} is 0 or below, and has no logarithm: ratios need readings above 0.`,
  );
  return values.map(Math.log);
}

/** An interval of a difference of logarithms, as that of a ratio. */
export const ratioInterval = ({ low, high }: Interval): Interval => ({ low: Math.exp(low), high: Math.exp(high) });
