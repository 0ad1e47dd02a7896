import { demandTwo, fromF } from '../../../answer/from-f';
import { chosenParts } from '../../../answer/chosen-parts';
import { asModelled } from '../../../answer/group-part';
import { nestedLook } from '../../../scenes/nested-look';
import type { OfReadings } from '../../analysis';
import { nestedIn } from '../compare';
import { nestedChecks, sampleMeans } from '../checks';
import { working } from '../working';
import { words } from './words';

/** Several groups of samples, several readings of each. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: nestedLook,
  figures: ['means', 'boxes'],
  working,
  groups: chosenParts,
  compare: (question, table, groups, brief) => {
    demandTwo(groups);
    const { test, effect, model, remarks } = nestedIn(question, table, groups, brief);
    const { f, df1, df2, p } = test();
    return { ...fromF(question, groups, { f, df: [df1, df2], p }, effect, brief), model, remarks };
  },
  used: asModelled,
  alternatives: ({ inner }) => [
    { design: 'nested', inner },
    ...(inner === undefined ? [] : [{ design: 'nested', inner: undefined } as const]),
    { design: 'several', repeats: 'average', method: 'means', spread: 'pooled' },
    { design: 'several', repeats: 'average', method: 'means', spread: 'separate' },
    { design: 'several', repeats: 'average', method: 'ranks' },
    { design: 'several', repeats: 'each', method: 'means', spread: 'pooled' },
  ],
  checked: sampleMeans,
  checks: nestedChecks,
};
