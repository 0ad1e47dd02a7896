import { chosenParts } from '../../../answer/chosen-parts';
import { groupValues, independentChecks } from '../../../answer/readings-checks';
import { spreadTestWorked } from '../../../answer/spread-worked';
import { spreadLook } from '../../../scenes/groups-look';
import type { OfReadings } from '../../analysis';
import { compare } from './compare';
import { words } from './words';

/** The spreads of several groups. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: spreadLook,
  figures: ['means', 'boxes'],
  groups: chosenParts,
  compare: (question, _, groups) => compare(question, groups),
  checked: groupValues,
  checks: (answer) => independentChecks(answer, groupValues(answer), 'asked'),
  working: ({ answer }) => spreadTestWorked(answer),
};
