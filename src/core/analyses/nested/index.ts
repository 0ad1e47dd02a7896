import { asModelled } from '../../answer/model-part';
import type { Question } from '../../question/question';
import { nestedLook } from '../../scenes/nested-look';
import { type ByModel, severalByModel, twoByModel } from '../by-model';
import { nestedChecks, sampleMeans } from './checks';
import { nestedIn } from './compare';
import { words } from './words';
import { working } from './working';

const model: ByModel = {
  words,
  look: nestedLook,
  figures: ['means', 'boxes'],
  working,
  fit: (question, table, groups, brief) => {
    const { effect, test, model: told, remarks } = nestedIn(question, table, groups, brief);
    return {
      effect,
      test: () => {
        const { f, df1, df2, p } = test();
        return { f, df: [df1, df2], p };
      },
      told: { model: told, remarks },
    };
  },
  used: asModelled,
  checked: sampleMeans,
  checks: nestedChecks,
};

/** The same by one level of samples, where the question names two. */
const byOne = (design: 'nested' | 'nested-two', inner: Question['inner']): Partial<Question>[] => [
  { design, inner },
  ...(inner === undefined ? [] : [{ design, inner: undefined }]),
];

/** Two groups of samples, several readings of each. */
export const two = twoByModel(model, ({ inner }) => [
  ...byOne('nested-two', inner),
  { design: 'two-groups', repeats: 'average', method: 'means', spread: 'separate' },
  { design: 'two-groups', repeats: 'average', method: 'means', spread: 'pooled' },
  { design: 'two-groups', repeats: 'average', method: 'ranks' },
  { design: 'two-groups', repeats: 'each', method: 'means', spread: 'separate' },
]);

/** Several groups of samples, several readings of each. */
export const several = severalByModel(model, ({ inner }) => [
  ...byOne('nested', inner),
  { design: 'several', repeats: 'average', method: 'means', spread: 'pooled' },
  { design: 'several', repeats: 'average', method: 'means', spread: 'separate' },
  { design: 'several', repeats: 'average', method: 'ranks' },
  { design: 'several', repeats: 'each', method: 'means', spread: 'pooled' },
]);
