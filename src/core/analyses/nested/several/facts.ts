import { type DesignFacts, adjustments, effectsOfMeans } from '../../facts';

/** Several groups of samples, several readings of each. */
export const facts: DesignFacts = {
  compares: 'several',
  sampling: 'nested',
  effects: effectsOfMeans,
  invitation: 'Ask whether the groups differ',
  asWithin: 'Compare each with itself',
  methods: ['means'],
  follows: 'by-choice',
  followUps: ({ compare }) => (compare === 'trend' ? ['unadjusted'] : adjustments),
  samples: 'nested',
};
