/** What an answer rests on. */
import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import type { Check } from '../answer/checks';
import { leastOf } from '../numeric/extremes';

/** The readings as the checks see them: groups, cells, differences within pairs, or what is left within subjects. */
export const checkedValues = (answer: Answer): (readonly number[])[] =>
  answer.logs ? checkedValues(answer.logs) : analysisOf(answer.question).checked(answer);

/** Each assumption with its verdict. Summary figures alone leave little that can be checked. */
export function checksOf(answer: Answer): Check[] {
  if (answer.logs) return checksOf(answer.logs);
  if (!answer.reported) return analysisOf(answer.question).checks(answer);
  const sizes = answer.groups.map((g) => g.n);
  const verdict = sizes.some((n) => n < 6) ? 'weigh' : 'fine';
  return [{ about: 'sample-size', verdict, figures: { smallest: leastOf(sizes) }, remedies: ['none'] }];
}
