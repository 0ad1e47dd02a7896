import { type DesignFacts, adjustments, effectsOfMeans } from '../facts';

/** The same subjects under three or more conditions. */
export const facts: DesignFacts = {
  compares: 'several',
  sampling: 'within',
  effects: effectsOfMeans,
  invitation: 'Ask whether the conditions differ',
  samples: 'subjects',
  within: 'is measured under every condition',
  follows: 'by-choice',
  methods: ['means', 'mixed-model', 'ranks'],
  followUps: ({ method, compare }) =>
    method === 'ranks' ? ['nemenyi'] : compare === 'trend' ? ['unadjusted'] : adjustments,
  sphericities: ['greenhouse-geisser', 'huynh-feldt', 'assumed'],
};
