import { attempt } from '../../numeric/domain-error';
import { modelTestsWorked, worked } from '../../answer/worked';
import { withinBetween } from '../../procedures/within-between';
import { withinBetweenWorking } from '../../working/factors';
import { factorsLook } from '../../scenes/groups-look';
import type { OfReadings } from '../analysis';
import { throughConditions } from '../through-conditions';
import { compare } from './compare';
import { mixedLayout } from './layout';
import { words } from './words';

/** Groups of subjects, each subject under every condition. */
export const analysis: OfReadings = {
  ...throughConditions,
  words,
  look: factorsLook,
  figures: ['lines', 'interaction', 'means', 'boxes'],
  working: ({ answer, comparison, table }) =>
    modelTestsWorked(comparison) ??
    worked('The analysis', () =>
      withinBetweenWorking(withinBetween(mixedLayout(answer.question, table).groups.map((g) => g.rows))),
    ),
  hasGaps: (question, table) => {
    const layout = attempt(() => mixedLayout(question, table));
    return layout.ok && layout.value.incomplete.length > 0;
  },
  compare: (question, table) => compare(question, table),
};
