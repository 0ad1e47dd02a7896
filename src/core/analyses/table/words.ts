/** What all questions about how counts fall into categories say. */
import type { Answer } from '../../answer/answer';
import type { Comparison } from '../../answer/comparison';
import { there } from '../../numeric/there';
import { sum } from '../../numeric/sum';
import { countedClause, departures } from '../../words/counts';
import { sizesClause, testPhrase } from '../../words/phrases';
import { listed, sentenceCase } from '../../words/sentences';
import { type Text, text } from '../../words/text';

/** The cells that stand out, at the end of a headline. @param sure whether the counts depart at all */
export function standOut(answer: Answer, comparison: Comparison, sure: boolean): string {
  const stand = departures(there(comparison.counts, 'The counts'), answer.question.level);
  if (stand.length > 0)
    return ` Cells that stand out: ${listed(stand.slice(0, 2))}${stand.length > 2 ? ', and others' : ''}.`;
  return sure ? ' No single cell stands out.' : '';
}

/** @param how what was compared, by which test */
export const methodsOf = (answer: Answer, how: string): Text =>
  text`${how}, each ${answer.subject || 'subject'} counting once. Cells were judged by adjusted residuals, p adjusted by Holm.${countedClause(answer)}`;

/** @param what what was found among the number counted */
export function resultsOf(answer: Answer, comparison: Comparison, what: (n: number) => string): Text {
  const [test] = comparison.tests;
  const n = sum(there(comparison.counts, 'The counts').observed.flat());
  const stand = departures(there(comparison.counts, 'The counts'), answer.question.level);
  return text`${what(n)}: ${test ? testPhrase(test) : []}${sizesClause(comparison, answer.question.level)}.${stand.length > 0 ? ` ${sentenceCase(listed(stand.slice(0, 6)))}.` : ''}`;
}

/** @param marks what the marks of the picture are */
export function legendOf(answer: Answer, methodName: string, of: string, marks: string): Text {
  const [test] = answer.comparison.ok ? answer.comparison.value.tests : [];
  return text`Counts of ${of}: ${marks} are marked + or −.${test ? text` ${methodName}, ${testPhrase(test)}.` : []}${countedClause(answer)}`;
}
