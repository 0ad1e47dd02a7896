import { countChecks, expectedOf } from '../../../answer/count-checks';
import { countsToPermute } from '../../../answer/counts-to-permute';
import { tableParts } from '../../../answer/tables';
import { worked } from '../../../answer/worked';
import { independenceWorking } from '../../../working/counts';
import { tableLook } from '../../../scenes/counts-look';
import type { OfCounts } from '../../analysis';
import { ending, likelierTables } from '../../../answer/ending';
import { compare } from './compare';
import { words } from './words';

/** Whether what was found depends on the row it was found in. */
export const analysis: OfCounts = {
  from: 'counts',
  words,
  look: tableLook,
  figures: ['stacked', 'tiles'],
  groups: (_, counted) => tableParts(counted),
  compare,
  checked: () => [],
  checks: (answer) => countChecks(answer, expectedOf(answer)),
  permuted: (answer) => countsToPermute(answer, 'chi-square'),
  working: ({ answer: { question }, comparison }) => {
    const { counts } = comparison;
    if (!counts) return [];
    return worked('Counts against those expected', () =>
      ending(question, comparison, independenceWorking(counts.observed), likelierTables),
    );
  },
};
