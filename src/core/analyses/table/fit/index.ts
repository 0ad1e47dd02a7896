import { countChecks, expectedOf } from '../../../answer/count-checks';
import { tableParts } from '../../../answer/tables';
import { worked } from '../../../answer/worked';
import { goodnessOfFitWorking } from '../../../working/counts';
import { fitLook } from '../../../scenes/counts-look';
import type { OfCounts } from '../../analysis';
import { compare } from './compare';
import { words } from './words';

/** Counts in categories, against stated proportions. */
export const analysis: OfCounts = {
  from: 'counts',
  words,
  look: fitLook,
  figures: ['tiles'],
  groups: (_, counted) => tableParts(counted),
  compare,
  checked: () => [],
  checks: (answer) => countChecks(answer, expectedOf(answer)),
  working: ({ answer: { question }, comparison: { counts } }) => {
    const line = counts?.observed[0];
    if (!line) return [];
    return worked('Counts against those expected', () =>
      goodnessOfFitWorking(line, question.ratio ?? line.map(() => 1)),
    );
  },
};
