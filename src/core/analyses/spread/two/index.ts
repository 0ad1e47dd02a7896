import { twoOf } from '../../../answer/two-of';
import { partOf } from '../../../answer/group-part';
import { groupValues, independentChecks } from '../../../answer/readings-checks';
import { spreadTestWorked } from '../../../answer/spread-worked';
import { worked } from '../../../answer/worked';
import { there } from '../../../numeric/there';
import { spreadOfTwoWorking } from '../../../working/spread';
import { spreadLook } from '../../../scenes/groups-look';
import type { OfReadings } from '../../analysis';
import { compare } from './compare';
import { words } from './words';

/** The spreads of two groups. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: spreadLook,
  figures: ['means', 'boxes'],
  groups: ({ a, b }, all) => [partOf(all, a), partOf(all, b)],
  compare: (question, _, parts) => compare(question, ...twoOf(parts)),
  checked: groupValues,
  checks: (answer) => independentChecks(answer, groupValues(answer), 'asked'),
  working: ({ answer }) => {
    const [x, y] = answer.groups.map((g) => there(g.summary, 'The summary'));
    return [
      ...worked('The ratio of variances', () =>
        spreadOfTwoWorking(there(x, 'The first'), there(y, 'The second'), answer.question.level),
      ),
      ...spreadTestWorked(answer),
    ];
  },
};
