import { demand } from '../numeric/domain-error';

/** Two ends, in the units of what lies between. */
export interface Interval {
  low: number;
  high: number;
}

/** The confidence level, if it is one: above 0 and below 1. */
export function checkedLevel(level: number): number {
  demand(level > 0 && level < 1, 'A confidence level must lie between 0 and 100 %.');
  return level;
}
