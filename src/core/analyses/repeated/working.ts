import { chosenEffect, withAdjustment } from '../../answer/follow-up-worked';
import { worked } from '../../answer/worked';
import { there } from '../../numeric/there';
import { pairedDifferences } from '../../procedures/paired-t';
import { repeatedMeasures } from '../../procedures/repeated-measures';
import { summarize } from '../../procedures/sample-summary';
import { choicesOf } from '../../question/choices';
import { repeatedWorking } from '../../working/factors';
import { pairedWorking } from '../../working/means';
import { friedmanPairWorking, friedmanWorking } from '../../working/ranks';
import type { Worked, WorkingPart } from '../analysis';

export function working({ answer, comparison, chosen }: Worked): WorkingPart[] {
  const { question } = answer;
  const { method, follow } = choicesOf(question);
  const { rows } = there(comparison.complete, 'The subjects');
  const ranks = method === 'ranks';
  const main = ranks
    ? worked('The test', () => friedmanWorking(rows))
    : worked('The analysis', () => repeatedWorking(rows, repeatedMeasures(rows)));
  const found = chosenEffect(answer, comparison, chosen);
  if (!found) return main;
  const { effect, i, j } = found;
  if (ranks) return [...main, ...worked(effect.name, () => friedmanPairWorking(rows, i, j))];
  const at = (k: number): number[] => rows.map((r) => there(r[k], 'A reading'));
  const pair = worked(effect.name, () => pairedWorking(summarize(pairedDifferences(at(i), at(j))), question.level));
  return [...main, ...withAdjustment(pair, comparison, follow)];
}
