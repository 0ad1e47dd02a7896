/** Which procedure a question gets, by the name the field gives it, and why. */
import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import { type SpreadReason, tellsRatios } from '../question/choices';
import type { Question } from '../question/question';

const onLogarithms = (question: Question, name: string): string =>
  tellsRatios(question) ? `${name} of logarithms` : name;

/** The procedure a question gets. */
export const methodName = (question: Question): string =>
  onLogarithms(question, analysisOf(question).words.methodName(question));

/** The procedure that was carried out: the question's, unless the readings did not allow it. */
export const methodOf = (answer: Answer): string =>
  onLogarithms(
    answer.question,
    analysisOf(answer.question).words.carriedOut?.(answer) ??
      analysisOf(answer.question).words.methodName(answer.question),
  );

/** A procedure among its alternatives: named by what distinguishes it. */
export function alternativeName(question: Question): string {
  const words = analysisOf(question).words;
  return onLogarithms(question, (words.alternativeName ?? words.methodName)(question));
}

/**
 * Why this procedure, in a line or two.
 * @param spreadBy what in the sizes of the groups decided, where nobody chose
 */
export const methodReason = (question: Question, spreadBy?: SpreadReason): string =>
  `${analysisOf(question).words.methodReason(question, spreadBy)}${
    tellsRatios(question)
      ? ' The logarithms of the readings are compared, so that effects are ratios: right where readings spread in proportion to their size, or are skewed as such readings are.'
      : ''
  }`;

/** What else would be reasonable, and when. */
export const methodElse = (question: Question): string => analysisOf(question).words.methodElse(question);
