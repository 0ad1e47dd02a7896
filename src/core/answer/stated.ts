import { DomainError } from '../numeric/domain-error';
import type { Question } from '../question/question';

/** What one group is held against. @param why what is asked for where nobody has said. @throws DomainError with that */
export function statedOf({ value }: Question, why: string): number {
  if (value === undefined) throw new DomainError(why);
  return value;
}
