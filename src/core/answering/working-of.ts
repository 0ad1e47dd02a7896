/** The calculation behind an answer. */
import type { WorkingPart } from '../analyses/analysis';
import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import { chosenOf } from '../answer/foremost';
import { worked } from '../answer/worked';
import { logged } from '../readings/logged';
import type { Table } from '../readings/table';
import { ratioWorking } from '../working/ratios';
import { answeredTable } from './answer';

function workedOn(answer: Answer, table: Table, chosen: number): WorkingPart[] {
  const { comparison, question, logs } = answer;
  if (!logs)
    return comparison.ok ? analysisOf(question).working({ answer, comparison: comparison.value, table, chosen }) : [];
  const effect = logs.comparison.ok ? chosenOf(logs.comparison.value, chosen) : undefined;
  return [
    ...workedOn(logs, logged(table), chosen).map((p) => ({ ...p, title: `${p.title}, on logarithms` })),
    ...(effect ? worked('Back to the readings', () => ratioWorking(effect.estimate, effect.interval)) : []),
  ];
}

/** The calculation step by step. @param chosen which of the comparisons that follow is worked out */
export const workingOf = (answer: Answer, table: Table, chosen = 0): WorkingPart[] =>
  answer.comparison.ok ? workedOn(answer, answeredTable(answer.question, table), chosen) : [];
