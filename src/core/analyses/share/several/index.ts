import { countChecks, expectedOf } from '../../../answer/count-checks';
import { type GroupPart, partOf } from '../../../answer/group-part';
import { countsToPermute } from '../../../answer/counts-to-permute';
import { shareOf, shareParts } from '../../../answer/shares';
import { choicesOf } from '../../../question/choices';
import { placesOf } from '../../../question/placed';
import { worked } from '../../../answer/worked';
import type { Question } from '../../../question/question';
import type { CountTable } from '../../../readings/counts';
import { independenceWorking, proportionTrendWorking } from '../../../working/counts';
import { sharesLook } from '../../../scenes/groups-look';
import type { OfCounts } from '../../analysis';
import { ending, likelierTables } from '../../../answer/ending';
import { compare } from './compare';
import { words } from './words';

function groups(question: Question, counted: CountTable): GroupPart[] {
  const all = shareParts(counted, question);
  return question.groups ? question.groups.map((id) => partOf(all, id)) : all;
}

/** The shares found in several groups. */
export const analysis: OfCounts = {
  from: 'counts',
  words,
  look: sharesLook,
  figures: ['shares'],
  groups,
  compare: (question, counted) => compare(question, groups(question, counted)),
  checked: () => [],
  checks: (answer) => countChecks(answer, expectedOf(answer)),
  permuted: (answer) => countsToPermute(answer, 'chi-square'),
  working: ({ answer: { question, groups: found }, comparison }) => {
    const { counts } = comparison;
    if (choicesOf(question).method === 'trend')
      return worked('The trend', () =>
        proportionTrendWorking(
          found.map(shareOf),
          placesOf(
            question,
            found.map((g) => g.name),
          ),
        ),
      );
    if (!counts) return [];
    return worked('Counts against those expected', () =>
      ending(question, comparison, independenceWorking(counts.observed), likelierTables),
    );
  },
};
