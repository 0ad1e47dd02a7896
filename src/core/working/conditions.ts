/** The working of one comparison of conditions by the subjects' own differences, judged among others. */
import type { Direction } from '../procedures/direction';
import type { SampleSummary } from '../procedures/sample-summary';
import { judgedEnding } from './several-groups';
import { type Step, Working, constant, symbol } from './term';

export function conditionsWorking(
  differences: SampleSummary,
  level: number,
  rule: { each: number; direction: Direction },
): Step[] {
  const w = new Working();
  const n = symbol('n', differences.n);
  const mean = symbol('\\bar{d}', differences.mean);
  const sd = w.let('SD of the differences', 's_d', symbol('s_d^2', differences.variance).root());
  const se = w.let('standard error', 'SE', sd.over(n.root()));
  const df = w.let('degrees of freedom', '\\nu', n.minus(constant(1)));
  return judgedEnding(w, mean, se, df, level, rule);
}
