import { demandReadings, onePart } from '../../answer/group-part';
import { groupValues, independentChecks } from '../../answer/readings-checks';
import { there } from '../../numeric/there';
import { groupsLook } from '../../scenes/groups-look';
import type { OfReadings } from '../analysis';
import { compare } from './compare';
import { words } from './words';
import { working } from './working';

/** One group alone: its mean or median with an interval, and no claim about it. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: groupsLook,
  figures: ['means', 'boxes'],
  working,
  groups: (question, all) => [onePart(question, all)],
  compare: (question, _, [group]) => compare(question, there(group, 'The group')),
  alternatives: ({ knownSd }) => [
    { method: 'means' },
    ...(knownSd === undefined ? [] : [{ method: 'z' as const }]),
    { method: 'ranks' },
  ],
  checked: groupValues,
  checks: (answer) => independentChecks(answer, groupValues(answer), 'own'),
  drawnFrom: ({ groups }) => ({ groups: demandReadings(groups, 'Drawing again'), names: groups }),
};
