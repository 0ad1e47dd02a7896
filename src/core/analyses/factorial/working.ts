import type { Comparison, Effect } from '../../answer/comparison';
import { chosenEffect, withAdjustment } from '../../answer/follow-up-worked';
import { errorOfEach } from '../../answer/follow-up';
import { worked } from '../../answer/worked';
import { twoWayAnova } from '../../procedures/two-way-anova';
import { choicesOf } from '../../question/choices';
import { factorsOf } from '../../readings/factors';
import { twoWayWorking } from '../../working/factors';
import { marginalPairWorking } from '../../working/means';
import { interactionContrastWorking } from '../../working/several-groups';
import type { Worked, WorkingPart } from '../analysis';

/** A difference of differences, by its four cells. */
function differenceOfDifferences({ answer, comparison }: Worked, { name, cells: four }: Effect): WorkingPart[] {
  const error = comparison.table?.find((line) => line.kind === 'error');
  const { cells } = comparison.cells ?? {};
  if (!cells || !four || error?.ms === undefined) return [];
  const { ms, df } = error;
  const { level } = answer.question;
  const found = four.flatMap(([a, b]) => cells.find((c) => c.a === a && c.b === b) ?? []);
  const count = comparison.follow?.ok ? (comparison.follow.value[0]?.effects.length ?? 1) : 1;
  const each = errorOfEach(choicesOf(answer.question).follow, count, level);
  return worked(name, () => interactionContrastWorking(found, ms, df, level, each));
}

/** A pair of levels of one factor, over the levels of the other. */
function levelPair({ cells, table }: Comparison, { name, pair }: Effect): WorkingPart[] {
  const error = table?.find((line) => line.kind === 'error');
  if (!cells || !pair || error?.ms === undefined) return [];
  const { ms, df } = error;
  const [rows] = cells.factors;
  const of = rows.levels.some((l) => l.id === pair[0]) ? 'a' : 'b';
  const side = (level: string) => cells.cells.filter((c) => c[of] === level);
  return worked(name, () => marginalPairWorking(side(pair[0]), side(pair[1]), ms, df));
}

export function working(of: Worked): WorkingPart[] {
  const { answer, comparison, table, chosen } = of;
  const { question } = answer;
  const { sums, follow } = choicesOf(question);
  const found = chosenEffect(answer, comparison, chosen);
  // Within levels there are several tables to choose from, and none is chosen.
  const single = comparison.follow?.ok && comparison.follow.value.length === 1;
  return [
    ...worked('The analysis', () => twoWayWorking(twoWayAnova(factorsOf(table, question).readings, sums))),
    ...(found && single
      ? withAdjustment(
          found.effect.cells ? differenceOfDifferences(of, found.effect) : levelPair(comparison, found.effect),
          comparison,
          follow,
        )
      : []),
  ];
}
