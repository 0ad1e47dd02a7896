/** The working of one comparison of conditions by the subjects' own differences, judged among others. */
import type { Direction } from '../procedures/direction';
import type { SampleSummary } from '../procedures/sample-summary';
import { judgedEnding } from './several-groups';
import { type Step, Working, constant, minus, over, root, symbol } from './term';

export function conditionsWorking(
  differences: SampleSummary,
  level: number,
  rule: { each: number; direction: Direction },
): Step[] {
  const w = new Working();
  const n = symbol('n', differences.n);
  const mean = symbol('\\bar{d}', differences.mean);
  const sd = w.let('SD of the differences', 's_d', root(symbol('s_d^2', differences.variance)));
  const se = w.let('standard error', 'SE', over(sd, root(n)));
  const df = w.let('degrees of freedom', '\\nu', minus(n, constant(1)));
  return judgedEnding(w, mean, se, df, level, rule);
}
