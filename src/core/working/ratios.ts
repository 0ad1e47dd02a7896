/** The way back from logarithms to ratios of geometric means. */
import type { Interval } from '../procedures/interval';
import { type Step, Working, exponential, symbol } from './term';

/** @param difference of the means of natural logarithms, with its interval */
export function ratioWorking(difference: number, interval: Interval | undefined): Step[] {
  const w = new Working();
  w.let('ratio of the geometric means', 'r', exponential(symbol('d', difference)));
  if (interval) {
    w.let('lower end of the interval', 'r_{\\text{low}}', exponential(symbol('d_{\\text{low}}', interval.low)));
    w.let('upper end of the interval', 'r_{\\text{high}}', exponential(symbol('d_{\\text{high}}', interval.high)));
  }
  return w.steps;
}
