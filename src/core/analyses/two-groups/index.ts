import { demandReadings, partOf } from '../../answer/group-part';
import { asLikely, demandNumbers } from '../../answer/limits';
import { groupValues, independentChecks } from '../../answer/readings-checks';
import { there } from '../../numeric/there';
import { choicesOf } from '../../question/choices';
import { groupsLook } from '../../scenes/groups-look';
import { hasSamples } from '../../readings/groups';
import type { OfReadings } from '../analysis';
import { compare, shufflingOfTwo } from './compare';
import { words } from './words';
import { working } from './working';

/** Two independent groups. */
export const analysis: OfReadings = {
  from: 'readings',
  takesLimits: true,
  words,
  look: groupsLook,
  figures: ['means', 'boxes'],
  working,
  groups: ({ a, b }, all) => [partOf(all, a), partOf(all, b)],
  compare: (question, _, [a, b], brief) =>
    compare(question, there(a, 'The first group'), there(b, 'The second group'), brief),
  alternatives: (_, repeats) => [
    ...(hasSamples(repeats) ? [{ design: 'nested-two', repeats: undefined } as const] : []),
    { method: 'means', spread: 'separate' },
    { method: 'means', spread: 'pooled' },
    { method: 'likelihood' },
    { method: 'ranks' },
    { method: 'shuffle' },
  ],
  used: (parts, comparison) => (comparison.likelihood ? asLikely(parts, comparison) : [...parts]),
  checked: groupValues,
  checks: (answer) =>
    independentChecks(answer, groupValues(answer), choicesOf(answer.question).spread === 'separate' ? 'own' : 'shared'),
  permuted: ({ question, groups }) => {
    demandNumbers(groups);
    const [x = [], y = []] = demandReadings(groups, 'Shuffling labels');
    return shufflingOfTwo(question, x, y);
  },
  drawnFrom: ({ groups }) => {
    demandNumbers(groups);
    return { groups: demandReadings(groups, 'Drawing again'), names: groups };
  },
};
