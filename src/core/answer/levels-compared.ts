/** Which levels of two factors are compared after the analysis, whatever they are judged by. */
import { demand } from '../numeric/domain-error';
import { passes } from '../procedures/interval';
import type { TTest } from '../procedures/t-test';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import type { Factors } from '../readings/factors';
import type { FollowUpPart } from './comparison';
import { type Raw, eachByItself, isAdjustment, judgedByP, mostComparisons, pairsOf } from './follow-up';

/**
 * Levels within levels where the interaction matters, else over them; of the factor that has more.
 * @param empty whether a cell has no readings: means over cells cannot be had then, and levels are compared within
 */
export function levelsCompared(
  question: Question,
  interactionP: number | undefined,
  factors: Factors,
  empty = false,
): NonNullable<Question['within']> {
  if (question.within) return question.within;
  const longer = factors.a.levels.length >= factors.b.levels.length ? 'a' : 'b';
  const matters = empty || (interactionP !== undefined && passes(interactionP, question.level));
  return matters ? (longer === 'a' ? 'a-within-b' : 'b-within-a') : longer;
}

/**
 * Every difference of two levels of the first factor, less the same difference at another level of the second.
 * @param tested such a difference by the places of its four levels; undefined where a cell has no readings
 * @throws DomainError where there are none, or more than anyone reads
 */
export function differencesOfDifferences(
  question: Question,
  { a, b }: Factors,
  tested: (
    a: readonly [number, number],
    b: readonly [number, number],
  ) => Pick<TTest, 'estimate' | 'se' | 'df' | 't' | 'p'> | undefined,
): FollowUpPart[] {
  const { follow } = choicesOf(question);
  const [rows, columns] = [pairsOf([...a.levels.entries()]), pairsOf([...b.levels.entries()])];
  demand(
    rows.length * columns.length <= mostComparisons,
    `There are ${(rows.length * columns.length).toLocaleString('en')} such differences, more than anyone reads: compare levels within levels.`,
  );
  const all = rows.flatMap(([[i, a1], [j, a2]]) =>
    columns.map(([[k, b1], [l, b2]]) => ({
      name: `${a1.name} minus ${a2.name}, in ${b1.name} minus in ${b2.name}`,
      cells: [
        [a1.id, b1.id],
        [a2.id, b1.id],
        [a1.id, b2.id],
        [a2.id, b2.id],
      ] as const,
      test: () => tested([i, j], [k, l]),
    })),
  );
  const { judged: found, left } = eachByItself(
    all,
    (of) => of.name,
    ({ name, cells, test }): Raw | undefined => {
      const one = test();
      return one && { name, cells, estimate: one.estimate, se: one.se, df: one.df, t: one.t, p: one.p.either };
    },
  );
  const judged = found.filter((one) => one !== undefined);
  demand(judged.length > 0, left[0]?.why ?? 'No two levels of each factor have readings in all four cells.');
  return judgedByP([{ judged, left }], isAdjustment(follow) ? follow : 'holm', question.level);
}
