import { withinChecks, withinValues } from '../../answer/readings-checks';
import { attempt } from '../../numeric/domain-error';
import { worked } from '../../answer/worked';
import { withinBetween } from '../../procedures/within-between';
import { plural } from '../../words/numbers';
import { withinBetweenWorking } from '../../working/factors';
import { modelTestWorking } from '../../working/nested';
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
  working: ({ answer, comparison, table }) => {
    const { variances, of } = comparison.model ?? {};
    if (variances)
      return comparison.tests.flatMap((test) =>
        worked(test.of ?? 'The test', () =>
          modelTestWorking(
            { within: variances.within.variance, between: variances.between.variance },
            test,
            plural(of ?? 'subject'),
          ),
        ),
      );
    return worked('The analysis', () =>
      withinBetweenWorking(withinBetween(mixedLayout(answer.question, table).groups.map((g) => g.rows))),
    );
  },
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
