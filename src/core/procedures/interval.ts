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

/** The error a confidence level leaves: 0.05 of 0.95, without the dust of the subtraction. */
export const alphaOf = (level: number): number => Number((1 - level).toPrecision(12));

/** Whether a p-value speaks against its hypothesis at a confidence level; what was not tested does not. */
export const passes = (p: number | undefined, level: number): boolean => p !== undefined && p < alphaOf(level);
