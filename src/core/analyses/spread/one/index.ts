import { onePart } from '../../../answer/group-part';
import { groupValues, independentChecks } from '../../../answer/readings-checks';
import { worked } from '../../../answer/worked';
import { there } from '../../../numeric/there';
import { spreadOfOneWorking } from '../../../working/spread';
import { spreadLook } from '../../../scenes/groups-look';
import type { OfReadings } from '../../analysis';
import { compare } from './compare';
import { words } from './words';

/** The spread of one group, against a stated SD. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: spreadLook,
  figures: ['means', 'boxes'],
  groups: (question, all) => [onePart(question, all)],
  compare: (question, _, [group]) => compare(question, there(group, 'The group')),
  checked: groupValues,
  checks: (answer) => independentChecks(answer, groupValues(answer), 'asked'),
  working: ({ answer: { question, groups } }) => {
    const { n, variance } = there(groups[0]?.summary, 'The summary');
    return worked('The spread and its test', () =>
      spreadOfOneWorking(Math.sqrt(variance), n, there(question.value, 'The SD stated'), question.level),
    );
  },
};
