import { DomainError } from '../numeric/domain-error';
import type { Shuffling } from '../procedures/shuffling';
import type { Answer } from './answer';

/** What permuting the labels of counts arranges. @throws DomainError where there are no counts */
export function countsToPermute({ comparison }: Answer, statistic: 'share' | 'chi-square'): Shuffling {
  if (!comparison.ok) throw new DomainError(comparison.reason);
  const { counts } = comparison.value;
  if (!counts) throw new DomainError('There are no counts to shuffle.');
  return { kind: 'counts', table: counts.observed, statistic };
}
