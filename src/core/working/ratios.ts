/** The way back from logarithms to ratios of geometric means. */
import type { Interval } from '../procedures/interval';
import { type Step, Working, symbol } from './term';

/** @param difference of the means of natural logarithms, with its interval */
export function ratioWorking(difference: number, interval: Interval | undefined): Step[] {
  const w = new Working();
  w.let('ratio of the geometric means', 'r', symbol('d', difference).exponential());
  if (interval) {
    w.let('lower end of the interval', 'r_{\\text{low}}', symbol('d_{\\text{low}}', interval.low).exponential());
    w.let('upper end of the interval', 'r_{\\text{high}}', symbol('d_{\\text{high}}', interval.high).exponential());
  }
  return w.steps;
}
