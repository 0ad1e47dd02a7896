/** What is told of readings below a limit of detection. */
import type { GroupPart } from '../answer/answer';
import { mostOf } from '../numeric/extremes';
import { sum } from '../numeric/sum';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import { given } from './numbers';
import { valued } from './sentences';

/** By likelihood, as the field calls it, and as the methods write it. */
export const likelihoodName = 'Censored likelihood ratio test';
export const likelihoodWords =
  'a likelihood ratio test (maximum likelihood for normal readings of one spread, those below a limit of detection censored)';

export const byLikelihood =
  'Some readings are known only to lie below a limit of detection. Their likelihood takes them as just that, and the others by their values: nothing is put in their place. It needs readings that are normal with one spread, below the limit as above it; concentrations often are so by their logarithms.';

export const likelihoodElse =
  'Ranks, with all that lies below the limit tied at the bottom; or the share of readings below it.';

/** How many readings lay below a limit, and what was made of them. */
export function belowClause(question: Question, groups: readonly GroupPart[], unit: string): string {
  const counted = groups.flatMap((g) => g.below ?? []);
  if (counted.length === 0) return '';
  const count = sum(counted.map((b) => b.count));
  const limit = valued(given(mostOf(counted.map((b) => b.limit))), unit);
  const all = sum(groups.map((g) => g.n));
  const { method } = choicesOf(question);
  const taken =
    question.about === 'share'
      ? 'counted as below the cut-off'
      : method === 'ranks'
        ? 'tied at the bottom of the ranks, with all readings below that limit'
        : method === 'likelihood'
          ? 'entered as no more than that'
          : 'had no number of their own';
  return ` ${count} of the ${all} readings lay below a limit of detection (at most ${limit}) and ${taken}.`;
}
