/** What a fit that tells of several means at once comes to: the test of all, then the comparisons asked for. */
import { attempt, demand } from '../numeric/domain-error';
import type { TTest } from '../procedures/t-test';
import type { Question } from '../question/question';
import type { Comparison } from './comparison';
import { type Named, comparedBy } from './follow-up';
import { fReference } from './references';

/** @param effect a weighted sum of the means, its weights summing to 0 */
export function fromF(
  question: Question,
  groups: readonly Named[],
  { f, df, p }: { f: number; df: readonly [number, number]; p: number },
  effect: (weights: readonly number[]) => TTest,
  brief: boolean,
): Comparison {
  return {
    p,
    tests: [{ symbol: 'F', value: f, df, p }],
    sizes: [],
    reference: [fReference(f, ...df)],
    ...(brief ? {} : { follow: attempt(() => [comparedBy(question, groups, effect)]) }),
    remarks: [],
  };
}

/** @throws DomainError where there is nothing to compare */
export const demandTwo = (groups: readonly unknown[]): void =>
  demand(groups.length >= 2, 'Comparing groups needs at least two of them.');
