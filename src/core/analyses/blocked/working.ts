import type { BlocksPart, Comparison } from '../../answer/comparison';
import { errorOfEach } from '../../answer/follow-up';
import { chosenEffect, withAdjustment } from '../../answer/follow-up-worked';
import { equivalenceWorked, worked } from '../../answer/worked';
import { sum } from '../../numeric/sum';
import { there } from '../../numeric/there';
import { choicesOf } from '../../question/choices';
import {
  type BlockSums,
  type TwoInBlock,
  blocksWorking,
  pairInBlocksWorking,
  twoInBlocksWorking,
} from '../../working/blocks';
import { modelPairWorking, modelTestWorking } from '../../working/nested';
import type { Worked, WorkingPart } from '../analysis';

function sumsOf({ count, cells, means }: BlocksPart, { table }: Comparison): BlockSums {
  const [group, , residual] = there(table, 'The table of sums of squares');
  return {
    readings: sum(cells.map((c) => c.n)),
    blocks: count,
    groups: means.length,
    group: there(group, 'The groups').ss,
    residual: there(residual, 'What is left').ss,
  };
}

/** The blocks that hold both of two groups. */
const withBoth = ({ count, cells }: BlocksPart): TwoInBlock[] =>
  Array.from({ length: count }, (_, b) => cells.filter((c) => c.block === b)).flatMap((own): TwoInBlock[] => {
    const [a, b] = [0, 1].map((g) => own.find((c) => c.group === g));
    return a && b ? [[a, b]] : [];
  });

const variancesOf = ({ model }: Comparison) => {
  const { within, between } = there(model?.variances, 'The variances');
  return { within: within.variance, between: between.variance };
};

/** The one difference of two groups. */
function difference({ answer, comparison }: Worked, blocks: BlocksPart): WorkingPart[] {
  const { level, direction } = answer.question;
  const rule = { nullValue: choicesOf(answer.question).value, direction };
  const { se = NaN, df = NaN } = there(comparison.effect, 'The difference');
  const [a, b] = blocks.means.map((m) => m.mean);
  return [
    ...worked('The test', () =>
      blocks.random
        ? modelPairWorking([there(a, 'A mean'), there(b, 'A mean')], { se, df }, level, rule, variancesOf(comparison))
        : twoInBlocksWorking(sumsOf(blocks, comparison), withBoth(blocks), level, rule),
    ),
    ...equivalenceWorked(answer, comparison),
  ];
}

/** All groups, then the comparison chosen of those that follow. */
function several({ answer, comparison, chosen }: Worked, blocks: BlocksPart): WorkingPart[] {
  const { level, direction } = answer.question;
  const { follow, compare } = choicesOf(answer.question);
  const main = worked('The test', () =>
    blocks.random
      ? modelTestWorking(variancesOf(comparison), there(comparison.tests[0], 'The test'), 'blocks')
      : blocksWorking(sumsOf(blocks, comparison)),
  );
  const found = chosenEffect(answer, comparison, chosen);
  if (!found || found.i < 0 || found.j < 0) return main;
  const { effect, i, j } = found;
  const { se = NaN, df = NaN } = effect;
  const count = comparison.follow?.ok ? (comparison.follow.value[0]?.effects.length ?? 1) : 1;
  const rule = {
    each: errorOfEach(follow, count, level),
    direction: compare === 'control' ? direction : ('either' as const),
  };
  const means = [i, j].map((g) => there(blocks.means[g], 'A mean').mean) as [number, number];
  const single = worked(effect.name, () =>
    blocks.random
      ? modelPairWorking(means, { se, df }, level, rule)
      : pairInBlocksWorking(sumsOf(blocks, comparison), { means, se }, level, rule),
  );
  return [...main, ...withAdjustment(single, comparison, follow)];
}

export function working(of: Worked): WorkingPart[] {
  const { blocks, effect } = of.comparison;
  if (!blocks) return [];
  return effect ? difference(of, blocks) : several(of, blocks);
}
