import type { ModelPart } from '../../answer/comparison';
import { errorOfEach } from '../../answer/follow-up';
import { plural } from '../../words/numbers';
import { modelPairWorking, modelTestWorking } from '../../working/nested';
import { chosenEffect, withAdjustment } from '../../answer/follow-up-worked';
import { worked } from '../../answer/worked';
import { there } from '../../numeric/there';
import { pairedDifferences } from '../../procedures/paired-t';
import { repeatedMeasures } from '../../procedures/repeated-measures';
import { summarize } from '../../procedures/sample-summary';
import { choicesOf } from '../../question/choices';
import { repeatedWorking } from '../../working/factors';
import { conditionsWorking } from '../../working/conditions';
import { friedmanPairWorking, friedmanWorking } from '../../working/ranks';
import type { Worked, WorkingPart } from '../analysis';

/** What the interval of one comparison may err by, and which way it looks. */
function ruleOf({ question }: Worked['answer'], { follow: found }: Worked['comparison']) {
  const { follow, compare } = choicesOf(question);
  const count = found?.ok ? (found.value[0]?.effects.length ?? 1) : 1;
  const direction = compare === 'control' ? question.direction : 'either';
  return { each: errorOfEach(follow, count, question.level), direction } as const;
}

/** By the mixed model: all conditions together, then the pair chosen. */
function modelWorking(
  answer: Worked['answer'],
  comparison: Worked['comparison'],
  { variances, groups, of }: ModelPart,
  chosen: number,
): WorkingPart[] {
  const { question } = answer;
  const { follow } = choicesOf(question);
  const [test] = comparison.tests;
  if (!variances || !test) return [];
  const found = { within: variances.within.variance, between: variances.between.variance };
  const main = worked('The test', () => modelTestWorking(found, test, plural(of)));
  const pair = chosenEffect(answer, comparison, chosen);
  const { se, df } = pair?.effect ?? {};
  const [a, b] = pair ? [groups[pair.i], groups[pair.j]] : [];
  if (!pair || se === undefined || df === undefined || !a || !b) return main;
  const single = worked(pair.effect.name, () =>
    modelPairWorking([a.mean, b.mean], { se, df }, question.level, ruleOf(answer, comparison)),
  );
  return [...main, ...withAdjustment(single, comparison, follow)];
}

export function working({ answer, comparison, chosen }: Worked): WorkingPart[] {
  const { question } = answer;
  const { method, follow } = choicesOf(question);
  if (comparison.model) return modelWorking(answer, comparison, comparison.model, chosen);
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
  if (i < 0 || j < 0) return main;
  const pair = worked(effect.name, () =>
    conditionsWorking(summarize(pairedDifferences(at(i), at(j))), question.level, ruleOf(answer, comparison)),
  );
  return [...main, ...withAdjustment(pair, comparison, follow)];
}
