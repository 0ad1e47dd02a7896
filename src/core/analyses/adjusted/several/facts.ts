import { type DesignFacts, adjustments, effectsOfMeans } from '../../facts';

/** Several independent groups, adjusted for a covariate. */
export const facts: DesignFacts = {
  compares: 'several',
  sampling: 'adjusted',
  effects: effectsOfMeans,
  invitation: 'Ask whether the groups differ',
  methods: ['means'],
  follows: 'by-choice',
  followUps: ({ compare }) => (compare === 'trend' ? ['unadjusted'] : adjustments),
};
