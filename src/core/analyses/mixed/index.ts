import { withinChecks, withinValues } from '../../answer/readings-checks';
import { attempt } from '../../numeric/domain-error';
import { modelTestsWorked, worked } from '../../answer/worked';
import { withinBetween } from '../../procedures/within-between';
import { withinBetweenWorking } from '../../working/factors';
import { factorsLook } from '../../scenes/groups-look';
import type { OfReadings } from '../analysis';
import { compare } from './compare';
import { mixedLayout } from './layout';
import { words } from './words';

/** Groups of subjects, each subject under every condition. */
export const analysis: OfReadings = {
  from: 'readings',
  factors: true,
  words,
  look: factorsLook,
  figures: ['lines', 'interaction', 'means', 'boxes'],
  working: ({ answer, comparison, table }) =>
    modelTestsWorked(comparison) ??
    worked('The analysis', () =>
      withinBetweenWorking(withinBetween(mixedLayout(answer.question, table).groups.map((g) => g.rows))),
    ),
  groups: (_, all) => all,
  hasGaps: (question, table) => {
    const layout = attempt(() => mixedLayout(question, table));
    return layout.ok && layout.value.incomplete.length > 0;
  },
  compare: (question, table) => compare(question, table),
  alternatives: () => [
    { method: 'means', sphericity: 'greenhouse-geisser' },
    { method: 'means', sphericity: 'assumed' },
    { method: 'mixed-model' },
  ],
  checked: withinValues,
  checks: withinChecks,
};
