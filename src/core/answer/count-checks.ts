/** The checks of questions about counts. */
import { choicesOf } from '../question/choices';
import type { Answer } from './answer';
import { type Check, checkExpectedCounts, checkIndependence } from './checks';
import { unlessFree } from './readings-checks';

/**
 * Counts rest on independence, and on expected counts that are large enough unless the test counts or permutes.
 * @param expected undefined where nothing is expected
 */
export function countChecks({ question, comparison }: Answer, expected: number[][] | undefined): Check[] {
  const alone = checkIndependence(undefined, false, false);
  if (!comparison.ok || !expected) return [alone];
  const counting = ['exact', 'mid-p', 'shuffle'].includes(choicesOf(question).method);
  return [alone, unlessFree(checkExpectedCounts(expected), counting)];
}

/** The expected counts of a table that was compared. */
export const expectedOf = ({ comparison }: Answer): number[][] | undefined =>
  comparison.ok ? comparison.value.counts?.expected : undefined;
