import { errorOfEach } from '../../answer/follow-up';
import { chosenEffect, withAdjustment } from '../../answer/follow-up-worked';
import { equivalenceWorked, worked } from '../../answer/worked';
import { there } from '../../numeric/there';
import { choicesOf } from '../../question/choices';
import { adjustedPairWorking, covarianceWorking } from '../../working/covariance';
import { welchWorking } from '../../working/means';
import type { Worked, WorkingPart } from '../analysis';

export function working({ answer, comparison, chosen }: Worked): WorkingPart[] {
  const { question, groups } = answer;
  const { level, direction } = question;
  const { value, follow, compare } = choicesOf(question);
  const { covariate, effect } = comparison;
  const points = covariate?.groups.map((g) => g.points) ?? [];
  if (effect) {
    const [a, b] = groups.map((g) => g.summary);
    return [
      ...(covariate
        ? worked('The test', () => adjustedPairWorking(points, 0, 1, level, { nullValue: value, direction }))
        : worked('The test', () =>
            welchWorking(there(a, 'The first group'), there(b, 'The second group'), level, value, direction),
          )),
      ...equivalenceWorked(answer, comparison),
    ];
  }
  const found = chosenEffect(answer, comparison, chosen);
  const main = worked('The test', () => covarianceWorking(points));
  if (!found || found.i < 0 || found.j < 0) return main;
  const count = comparison.follow?.ok ? (comparison.follow.value[0]?.effects.length ?? 1) : 1;
  const single = worked(found.effect.name, () =>
    adjustedPairWorking(points, found.i, found.j, level, {
      each: errorOfEach(follow, count, level),
      direction: compare === 'control' ? direction : 'either',
    }),
  );
  return [...main, ...withAdjustment(single, comparison, follow)];
}
