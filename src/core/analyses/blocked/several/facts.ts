import { type Facts, adjustments, effectsOfMeans } from '../../facts';

export const facts: Facts = {
  effects: effectsOfMeans,
  invitation: 'Ask whether the groups differ',
  methods: ['means', 'mixed-model'],
  follows: 'by-choice',
  followUps: ({ compare }) => (compare === 'trend' ? ['unadjusted'] : adjustments),
  adjusts: 'blocks',
};
