import { demandTwo, fromF } from '../../../answer/from-f';
import { asAdjusted } from '../../../answer/adjusted-part';
import { chosenParts } from '../../../answer/chosen-parts';
import { covariateLook } from '../../../scenes/covariate-look';
import type { OfReadings } from '../../analysis';
import { checked, checks } from '../checks';
import { fitted } from '../fit';
import { sourceLines } from '../source-lines';
import { working } from '../working';
import { words } from './words';

/** Several independent groups, adjusted for a covariate. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: covariateLook,
  figures: ['covariate', 'means', 'boxes'],
  working,
  groups: chosenParts,
  compare: (question, table, groups, brief) => {
    demandTwo(groups);
    const { fit, covariate, remarks } = fitted(question, table, groups);
    const { group, residual } = fit;
    const test = { f: group.f, df: [group.df, residual.df] as const, p: group.p };
    return {
      ...fromF(question, groups, test, (weights) => fit.effect(weights, question.level), brief),
      table: sourceLines(fit, covariate.name),
      covariate,
      remarks,
    };
  },
  used: (parts, { covariate }, level) => (covariate ? asAdjusted(parts, covariate.groups, level) : [...parts]),
  alternatives: ({ covariate }) => [
    { design: 'adjusted', method: 'means', covariate },
    { design: 'several', method: 'means', spread: 'pooled' },
    { design: 'several', method: 'means', spread: 'separate' },
  ],
  checked,
  checks,
};
