import { asAdjusted } from '../../../answer/adjusted-part';
import { chosenParts } from '../../../answer/chosen-parts';
import { comparedBy } from '../../../answer/follow-up';
import { fReference } from '../../../answer/references';
import { attempt, demand } from '../../../numeric/domain-error';
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
    demand(groups.length >= 2, 'Comparing groups needs at least two of them.');
    const { fit, covariate, remarks } = fitted(question, table, groups);
    const { group, residual } = fit;
    return {
      p: group.p,
      tests: [{ symbol: 'F', value: group.f, df: [group.df, residual.df], p: group.p }],
      sizes: [],
      table: sourceLines(fit, covariate.name),
      reference: [fReference(group.f, group.df, residual.df)],
      ...(brief
        ? {}
        : { follow: attempt(() => [comparedBy(question, groups, (weights) => fit.effect(weights, question.level))]) }),
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
