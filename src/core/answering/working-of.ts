/** The calculation behind an answer. */
import type { WorkingPart } from '../analyses/analysis';
import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import { chosenOf } from '../answer/foremost';
import { worked } from '../answer/worked';
import type { Table } from '../readings/table';
import { logged } from '../readings/logged';
import { ratioWorking } from '../working/ratios';

/** The calculation step by step. @param chosen which of the comparisons that follow is worked out */
export function workingOf(answer: Answer, table: Table, chosen = 0): WorkingPart[] {
  const { logs } = answer;
  if (logs) {
    const effect = logs.comparison.ok ? chosenOf(logs.comparison.value, chosen) : undefined;
    return [
      ...workingOf(logs, logged(table), chosen).map((p) => ({ ...p, title: `${p.title}, on logarithms` })),
      ...(effect ? worked('Back to the readings', () => ratioWorking(effect.estimate, effect.interval)) : []),
    ];
  }
  const { comparison, question } = answer;
  return comparison.ok ? analysisOf(question).working({ answer, comparison: comparison.value, table, chosen }) : [];
}
