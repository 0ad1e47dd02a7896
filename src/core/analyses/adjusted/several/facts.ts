import { type Facts, adjustments, effectsOfMeans } from '../../facts';

export const facts: Facts = {
  effects: effectsOfMeans,
  invitation: 'Ask whether the groups differ',
  methods: ['means'],
  follows: 'by-choice',
  followUps: ({ compare }) => (compare === 'trend' ? ['unadjusted'] : adjustments),
  adjusts: 'covariate',
};
