/** What the test would have come to under each direction. */
import { analysisOf } from '../analyses/registry';
import { there } from '../numeric/there';
import { namesOf } from '../question/naming';
import type { Question } from '../question/question';
import type { Table } from '../readings/table';
import { isPart } from '../words/segments';
import { answer } from './answer';

/** A direction with its p, or why it has none. */
export interface Directed {
  direction: Question['direction'];
  /** Whether it is the one asked for. */
  asked: boolean;
  p?: number;
  why?: string;
}

/** Whether a question has a direction. */
export const hasDirection = (question: Question, table: Table): boolean =>
  analysisOf(question)
    .words.sentence(namesOf(question, table))
    .some((s) => isPart(s, 'direction'));

/** The p of one direction after the other; none where the question has no direction. */
export function* eachDirection(question: Question, table: Table): Generator<Directed> {
  if (!hasDirection(question, table)) return;
  for (const direction of ['either', 'greater', 'less'] as const) {
    const found = answer({ ...question, direction }, table, true);
    const base = { direction, asked: direction === question.direction };
    if (!found.ok) yield { ...base, why: found.reason };
    else {
      const { comparison } = found.value;
      yield comparison.ok ? { ...base, p: there(comparison.value.p, 'p') } : { ...base, why: comparison.reason };
    }
  }
}
