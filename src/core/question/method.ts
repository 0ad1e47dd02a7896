import type { Question } from './question';

/** The procedure a question gets, by the name the field gives it. */
export const methodName = (question: Question): string =>
  question.design === 'paired'
    ? 'Paired t-test'
    : question.spread === 'separate'
      ? 'Welch’s t-test'
      : 'Student’s t-test with pooled variance';

/** Why this procedure, in a line or two. */
export function methodReason(question: Question): string {
  if (question.design === 'paired')
    return 'The same subjects were measured in both groups, so each is compared with itself: what differs from subject to subject drops out of the differences.';
  return question.spread === 'separate'
    ? 'Two independent groups are compared by their means. Welch’s t lets each group keep its own spread: it is right when spreads differ, and loses next to nothing when they do not.'
    : 'Two independent groups are compared by their means. You chose to take the spreads as equal: the pooled t then gains a little precision, and misleads when the smaller group is the more variable one.';
}
