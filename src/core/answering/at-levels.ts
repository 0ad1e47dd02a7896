import type { AtLevel } from '../answer/at-level';
import { foremost } from '../answer/foremost';
import type { Question } from '../question/question';
import { usualLevels } from '../question/usual-levels';
import type { Table } from '../readings/table';
import { answer } from './answer';

/** The same question at one usual confidence level after the other and at its own, the lowest first; none where it has no interval. */
export function* eachLevel(question: Question, table: Table): Generator<AtLevel> {
  for (const level of [...new Set([...usualLevels, question.level])].sort((a, b) => a - b)) {
    const found = answer({ ...question, level }, table, true);
    const effect = found.ok && found.value.comparison.ok ? foremost(found.value.comparison.value) : undefined;
    if (effect?.interval) yield { level, effect };
  }
}
