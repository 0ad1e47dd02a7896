/** Reasons that several kinds of question give for the same procedure. */
import type { Question } from '../question/question';

export const byRanks =
  'A rank test asks which group’s readings tend to be larger, not about means: it is robust to skew and to single far readings, and says less about by how much.';

/** @param what the labels, permuted, bring */
export const byPermutation = (what: string): string =>
  `A permutation test asks how often the group labels, permuted, ${what}: no shape is assumed, only that the labels are exchangeable.`;

/** How several readings of one sample count, at the end of a method's name: where the question says so itself. */
export const repeatsWords = ({ repeats }: Pick<Question, 'repeats'>): string =>
  repeats === 'average'
    ? ', of the samples’ means'
    : repeats === 'each'
      ? ', as if every reading were independent'
      : '';
