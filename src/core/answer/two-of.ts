import { demand } from '../numeric/domain-error';
import { there } from '../numeric/there';
import type { GroupPart } from './group-part';

/** The two groups of a question. @throws DomainError where they are one */
export function twoOf(parts: readonly GroupPart[]): [GroupPart, GroupPart] {
  const [a, b] = [there(parts[0], 'The first group'), there(parts[1], 'The second group')];
  demand(a.id !== b.id, 'A group cannot be compared with itself: choose two different groups.');
  return [a, b];
}
