import { demandReadings, partOf } from '../../answer/group-part';
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
    { method: 'ranks' },
    { method: 'shuffle' },
  ],
  checked: groupValues,
  checks: (answer) =>
    independentChecks(answer, groupValues(answer), choicesOf(answer.question).spread === 'separate' ? 'own' : 'shared'),
  permuted: ({ question, groups }) => {
    const [x = [], y = []] = demandReadings(groups, 'Shuffling labels');
    return shufflingOfTwo(question, x, y);
  },
  drawnFrom: ({ groups }) => ({ groups: demandReadings(groups, 'Drawing again'), names: groups }),
};
