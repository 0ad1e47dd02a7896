import { fromT, subtracted } from '../../../answer/from-t';
import { partOf } from '../../../answer/group-part';
import { demand } from '../../../numeric/domain-error';
import { there } from '../../../numeric/there';
import { tTest } from '../../../procedures/t-test';
import { choicesOf } from '../../../question/choices';
import { asModelled } from '../../../answer/group-part';
import { nestedLook } from '../../../scenes/nested-look';
import type { OfReadings } from '../../analysis';
import { nestedIn } from '../compare';
import { nestedChecks, sampleMeans } from '../checks';
import { working } from '../working';
import { words } from './words';

/** Two groups of samples, several readings of each. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: nestedLook,
  figures: ['means', 'boxes'],
  working,
  groups: ({ a, b }, all) => [partOf(all, a), partOf(all, b)],
  compare: (question, table, parts, brief) => {
    const [a, b] = [there(parts[0], 'The first group'), there(parts[1], 'The second group')];
    demand(a.id !== b.id, 'A group cannot be compared with itself: choose two different groups.');
    const found = nestedIn(question, table, [a, b], brief);
    const { estimate, se, df } = found.effect([1, -1]);
    const test = tTest(estimate, se, df, question.level, choicesOf(question).value);
    return {
      ...fromT(question, subtracted(a, b), [a.id, b.id], test, []),
      model: found.model,
      remarks: found.remarks,
    };
  },
  used: asModelled,
  alternatives: ({ inner }) => [
    { design: 'nested-two', inner },
    ...(inner === undefined ? [] : [{ design: 'nested-two', inner: undefined } as const]),
    { design: 'two-groups', repeats: 'average', method: 'means', spread: 'separate' },
    { design: 'two-groups', repeats: 'average', method: 'means', spread: 'pooled' },
    { design: 'two-groups', repeats: 'average', method: 'ranks' },
    { design: 'two-groups', repeats: 'each', method: 'means', spread: 'separate' },
  ],
  checked: sampleMeans,
  checks: nestedChecks,
};
