import type { AtLevel } from '../answer/at-level';
import { foremost } from '../answer/foremost';
import type { Question } from '../question/question';
import { usualLevels } from '../question/usual-levels';
import type { Table } from '../readings/table';
import { answer } from './answer';

/** The same question at the usual confidence levels and at its own, the lowest first; empty where it has no interval. */
export function atLevels(question: Question, table: Table): AtLevel[] {
  return [...new Set([...usualLevels, question.level])]
    .sort((a, b) => a - b)
    .flatMap((level) => {
      const found = answer({ ...question, level }, table, true);
      const effect = found.ok && found.value.comparison.ok ? foremost(found.value.comparison.value) : undefined;
      return effect?.interval ? [{ level, effect }] : [];
    });
}
