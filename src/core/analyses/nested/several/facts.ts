import { type Facts, adjustments, effectsOfMeans } from '../../facts';

export const facts: Facts = {
  effects: effectsOfMeans,
  invitation: 'Ask whether the groups differ',
  asWithin: { design: 'repeated', words: 'Compare each with itself' },
  methods: ['means'],
  follows: 'by-choice',
  followUps: ({ compare }) => (compare === 'trend' ? ['unadjusted'] : adjustments),
  samples: 'nested',
  nests: true,
};
