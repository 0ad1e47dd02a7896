import { withinChecks, withinValues } from '../../answer/readings-checks';
import { worked } from '../../answer/worked';
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
  working: ({ answer, table }) =>
    worked('The analysis', () =>
      withinBetweenWorking(withinBetween(mixedLayout(answer.question, table).groups.map((g) => g.rows))),
    ),
  groups: (_, all) => all,
  compare: (question, table) => compare(question, table),
  alternatives: () => [{ sphericity: 'greenhouse-geisser' }, { sphericity: 'assumed' }],
  checked: withinValues,
  checks: withinChecks,
};
