import { modelTestsWorked, worked } from '../../answer/worked';
import { attempt } from '../../numeric/domain-error';
import { withinTwoFactors } from '../../procedures/within-two-factors';
import { factorsLook } from '../../scenes/groups-look';
import { withinTwoFactorsWorking } from '../../working/factors';
import type { OfReadings } from '../analysis';
import { throughConditions } from '../through-conditions';
import { compare } from './compare';
import { crossedLayout } from './layout';
import { words } from './words';

/** Two factors, each subject under every combination of their levels. */
export const analysis: OfReadings = {
  ...throughConditions,
  words,
  look: factorsLook,
  figures: ['interaction', 'means', 'boxes'],
  working: ({ answer, comparison, table }) =>
    modelTestsWorked(comparison) ??
    worked('The analysis', () => {
      const { factors, complete } = crossedLayout(answer.question, table);
      const { a, b } = factors;
      return withinTwoFactorsWorking(withinTwoFactors(complete.rows, a.levels.length, b.levels.length));
    }),
  hasGaps: (question, table) => {
    const layout = attempt(() => crossedLayout(question, table));
    if (!layout.ok) return false;
    const { rows, incomplete } = layout.value.complete;
    // Where none was read under every combination, the subjects may be of one level of a factor: that is another question.
    return rows.length > 0 && incomplete.length > 0;
  },
  compare: (question, table) => compare(question, table),
};
