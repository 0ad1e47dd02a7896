import { countChecks } from '../../../answer/count-checks';
import { worked } from '../../../answer/worked';
import { mcnemarWorking } from '../../../working/counts';
import { sharesLook } from '../../../scenes/groups-look';
import type { OfCounts } from '../../analysis';
import { ending } from '../../../answer/ending';
import { compare, looks } from './compare';
import { words } from './words';

/** The share found in the same subjects twice. */
export const analysis: OfCounts = {
  from: 'counts',
  words,
  look: sharesLook,
  figures: ['shares'],
  groups: (question, counted) => looks(counted, question),
  compare: (question, counted) => compare(question, counted, looks(counted, question)),
  madeFrom: ({ a, b }, id) => (id === 'first' ? a : b),
  checked: () => [],
  checks: (answer) => {
    const pairs = answer.comparison.ok ? answer.comparison.value.pairs : undefined;
    return countChecks(answer, pairs && [pairs.map(() => (pairs[0] + pairs[1]) / 2)]);
  },
  working: ({ answer: { question }, comparison }) => {
    const { pairs } = comparison;
    if (!pairs) return [];
    return worked('Those that changed', () =>
      ending(
        question,
        comparison,
        mcnemarWorking(pairs[0], pairs[1]),
        '\\sum P(X = k)\\ \\text{of those that changed, each way equally likely}',
      ),
    );
  },
};
