import { twoOf } from '../../answer/two-of';
import { demandReadings, partOf, withKnownSd } from '../../answer/group-part';
import { asLikely, demandNumbers } from '../../answer/limits';
import { groupValues, independentChecks } from '../../answer/readings-checks';
import { choicesOf } from '../../question/choices';
import { groupsLook } from '../../scenes/groups-look';
import { hasSamples } from '../../readings/repeats';
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
  groups: (question, all) => [
    withKnownSd(partOf(all, question.a), question),
    withKnownSd(partOf(all, question.b), question, question.knownSdB ?? question.knownSd),
  ],
  compare: (question, _, parts, brief) => compare(question, ...twoOf(parts), brief),
  alternatives: ({ knownSd }, repeats) => [
    ...(hasSamples(repeats) ? [{ design: 'nested-two', repeats: undefined } as const] : []),
    { method: 'means', spread: 'separate' },
    { method: 'means', spread: 'pooled' },
    ...(knownSd === undefined ? [] : [{ method: 'z' } as const]),
    { method: 'likelihood' },
    { method: 'ranks' },
    { method: 'shuffle' },
  ],
  used: (parts, comparison) => (comparison.likelihood ? asLikely(parts, comparison) : [...parts]),
  checked: groupValues,
  checks: (answer) => {
    const { method, spread } = choicesOf(answer.question);
    // Spreads that are known are not judged by the readings.
    return independentChecks(
      answer,
      groupValues(answer),
      method === 'z' ? 'asked' : spread === 'separate' ? 'own' : 'shared',
    );
  },
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
