import { type DesignFacts, adjustments, effectsOfMeans } from '../../facts';

/** Several independent groups, compared within blocks. */
export const facts: DesignFacts = {
  compares: 'several',
  sampling: 'blocked',
  effects: effectsOfMeans,
  invitation: 'Ask whether the groups differ',
  methods: ['means', 'mixed-model'],
  follows: 'by-choice',
  followUps: ({ compare }) => (compare === 'trend' ? ['unadjusted'] : adjustments),
};
