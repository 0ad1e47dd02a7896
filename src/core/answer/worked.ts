import { attempt } from '../numeric/domain-error';
import { equivalenceWorking } from '../working/means';
import { modelTestWorking } from '../working/nested';
import { shuffleWorking } from '../working/resampling';
import type { Step } from '../working/term';
import { plural } from '../readings/counted';
import type { Answer } from './answer';
import type { Comparison } from './comparison';

interface WorkingPart {
  title: string;
  steps: Step[];
}

/** A part of the working, or nothing where its steps cannot be taken. */
export function worked(title: string, make: () => Step[]): WorkingPart[] {
  const steps = attempt(make);
  return steps.ok ? [{ title, steps: steps.value }] : [];
}

/** Each test of a mixed model by the variances it rests on; undefined where none was fitted. */
export function modelTestsWorked({ model, tests }: Comparison): WorkingPart[] | undefined {
  const { variances, of = 'subject' } = model ?? {};
  if (!variances) return undefined;
  const found = { within: variances.within.variance, between: variances.between.variance };
  return tests.flatMap((test) => worked(test.of ?? 'The test', () => modelTestWorking(found, test, plural(of))));
}

/** The two one-sided tests of equivalence, where a margin was given. */
export function equivalenceWorked({ question: { bounds } }: Answer, { effect }: Comparison): WorkingPart[] {
  if (!bounds || effect?.se === undefined) return [];
  // Known spreads leave no degrees of freedom to lose.
  const { estimate, se, df = effect.statistic?.symbol === 'z' ? Infinity : undefined } = effect;
  if (df === undefined) return [];
  return worked('Equivalence: two one-sided tests', () =>
    equivalenceWorking(estimate, se, df, bounds.low, bounds.high),
  );
}

/** How a permutation test came to its p. */
export const shuffleWorked = ({ question }: Answer, { shuffled }: Comparison): WorkingPart[] =>
  shuffled ? worked('Permutation test', () => shuffleWorking(shuffled, question.level)) : [];
