import { errorOfEach } from '../../answer/follow-up';
import { chosenEffect, withAdjustment } from '../../answer/follow-up-worked';
import type { Comparison, Effect } from '../../answer/comparison';
import { equivalenceWorked, worked } from '../../answer/worked';
import { summarize } from '../../procedures/sample-summary';
import { choicesOf } from '../../question/choices';
import { pooledWorking } from '../../working/means';
import { nestedPairWorking, modelTestWorking } from '../../working/nested';
import { contrastWorking, oneWayWorking } from '../../working/several-groups';
import type { Step } from '../../working/term';
import type { Worked, WorkingPart } from '../analysis';

const samplesIn = ({ model }: Comparison, group: number) => (model?.samples ?? []).filter((s) => s.group === group);

const variancesOf = ({ model }: Comparison) =>
  model?.variances && {
    within: model.variances.within.variance,
    ...(model.variances.inner ? { inner: model.variances.inner.variance } : {}),
    between: model.variances.between.variance,
  };

/** A t-test to the end of its interval, without the effect size that follows. */
const untilInterval = (steps: Step[]): Step[] => steps.slice(0, steps.findIndex((s) => s.what === 'upper end') + 1);

/** The one difference of two groups. */
function difference({ answer: { question }, comparison }: Worked, effect: Effect): WorkingPart[] {
  const { value } = choicesOf(question);
  const { level, direction } = question;
  const [a, b] = [samplesIn(comparison, 0), samplesIn(comparison, 1)];
  const variances = variancesOf(comparison);
  const { se, df } = effect;
  if (!variances || se === undefined || df === undefined) {
    const [x, y] = [a, b].map((samples) =>
      summarize(
        samples.map((s) => s.mean),
        1,
      ),
    );
    return x && y
      ? worked('The means of the samples', () => untilInterval(pooledWorking(x, y, level, value, direction)))
      : [];
  }
  return worked('The test', () =>
    nestedPairWorking(a, b, variances, { se, df }, level, { nullValue: value, direction }),
  );
}

/** All groups, then the comparison chosen of those that follow. */
function several({ answer, comparison, chosen }: Worked): WorkingPart[] {
  const { question, groups } = answer;
  const { level } = question;
  const { follow, compare } = choicesOf(question);
  const variances = variancesOf(comparison);
  const means = groups.map((_, g) =>
    summarize(
      samplesIn(comparison, g).map((s) => s.mean),
      1,
    ),
  );
  const [test] = comparison.tests;
  const main =
    variances && test
      ? worked('The test', () => modelTestWorking(variances, test, 'samples'))
      : worked('The means of the samples', () => oneWayWorking(means));
  const found = chosenEffect(answer, comparison, chosen);
  if (!found) return main;
  const { effect, i, j } = found;
  const { se, df } = effect;
  const direction = compare === 'control' ? question.direction : 'either';
  const each = errorOfEach(
    follow,
    comparison.follow?.ok ? (comparison.follow.value[0]?.effects.length ?? 1) : 1,
    level,
  );
  const single =
    variances && se !== undefined && df !== undefined && i >= 0 && j >= 0
      ? worked(effect.name, () =>
          nestedPairWorking(samplesIn(comparison, i), samplesIn(comparison, j), variances, { se, df }, level, {
            each,
            direction,
          }),
        )
      : !variances && i >= 0 && j >= 0
        ? worked(effect.name, () =>
            contrastWorking(
              means,
              groups.map((_, at) => Number(at === i) - Number(at === j)),
              level,
              { separate: false, scheffe: false, each, direction },
            ),
          )
        : [];
  return [...main, ...withAdjustment(single, comparison, follow)];
}

export function working(of: Worked): WorkingPart[] {
  const { effect } = of.comparison;
  return effect ? [...difference(of, effect), ...equivalenceWorked(of.answer, of.comparison)] : several(of);
}
