import { chosenParts } from '../../answer/chosen-parts';
import { demandReadings } from '../../answer/group-part';
import { asLikely, demandNumbers } from '../../answer/limits';
import { groupValues, independentChecks } from '../../answer/readings-checks';
import { choicesOf } from '../../question/choices';
import { groupsLook } from '../../scenes/groups-look';
import { hasSamples } from '../../readings/repeats';
import type { OfReadings } from '../analysis';
import { compare, shufflingOfSeveral } from './compare';
import { words } from './words';
import { working } from './working';

/** Three or more independent groups (or two). */
export const analysis: OfReadings = {
  from: 'readings',
  takesLimits: true,
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
    { method: 'likelihood' },
    { method: 'ranks' },
    { method: 'shuffle' },
  ],
  used: (parts, comparison) => (comparison.likelihood ? asLikely(parts, comparison) : [...parts]),
  checked: groupValues,
  checks: (answer) =>
    independentChecks(answer, groupValues(answer), choicesOf(answer.question).spread === 'separate' ? 'own' : 'shared'),
  permuted: ({ groups }) => {
    demandNumbers(groups);
    return shufflingOfSeveral(demandReadings(groups, 'Shuffling labels'));
  },
};
