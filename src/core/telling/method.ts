/** Which procedure a question gets, by the name the field gives it, and why. */
import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import type { SpreadReason } from '../question/choices';
import type { Question } from '../question/question';

/** The procedure a question gets. */
export const methodName = (question: Question): string => analysisOf(question).words.methodName(question);

/** The procedure that was carried out: the question's, unless the readings did not allow it. */
export const methodOf = (answer: Answer): string =>
  analysisOf(answer.question).words.carriedOut?.(answer) ?? methodName(answer.question);

/** A procedure among its alternatives: named by what distinguishes it. */
export function alternativeName(question: Question): string {
  const words = analysisOf(question).words;
  return (words.alternativeName ?? words.methodName)(question);
}

/**
 * Why this procedure, in a line or two.
 * @param spreadBy what in the sizes of the groups decided, where nobody chose
 */
export const methodReason = (question: Question, spreadBy?: SpreadReason): string =>
  analysisOf(question).words.methodReason(question, spreadBy);

/** What else would be reasonable, and when. */
export const methodElse = (question: Question): string => analysisOf(question).words.methodElse(question);
