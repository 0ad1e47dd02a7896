/** The calculation behind an answer. */
import type { WorkingPart } from '../analyses/analysis';
import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import type { Table } from '../readings/table';

/** The calculation step by step. @param chosen which of the comparisons that follow is worked out */
export function workingOf(answer: Answer, table: Table, chosen = 0): WorkingPart[] {
  const { comparison, question } = answer;
  return comparison.ok ? analysisOf(question).working({ answer, comparison: comparison.value, table, chosen }) : [];
}
