import { chosenParts } from '../../answer/chosen-parts';
import { demandReadings } from '../../answer/group-part';
import { groupValues, independentChecks } from '../../answer/readings-checks';
import { choicesOf } from '../../question/choices';
import { groupsLook } from '../../scenes/groups-look';
import { hasSamples } from '../../readings/groups';
import type { OfReadings } from '../analysis';
import { compare, shufflingOfSeveral } from './compare';
import { words } from './words';
import { working } from './working';

/** Three or more independent groups (or two). */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: groupsLook,
  figures: ['means', 'boxes'],
  working,
  groups: chosenParts,
  compare: (question, _, groups, brief) => compare(question, groups, brief),
  alternatives: (_, repeats) => [
    ...(hasSamples(repeats) ? [{ design: 'nested', repeats: undefined } as const] : []),
    { method: 'means', spread: 'pooled' },
    { method: 'means', spread: 'separate' },
    { method: 'ranks' },
    { method: 'shuffle' },
  ],
  checked: groupValues,
  checks: (answer) =>
    independentChecks(answer, groupValues(answer), choicesOf(answer.question).spread === 'separate' ? 'own' : 'shared'),
  permuted: ({ groups }) => shufflingOfSeveral(demandReadings(groups, 'Shuffling labels')),
};
