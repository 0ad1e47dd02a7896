import { type Facts, adjustments, effectsOfMeans } from '../facts';

export const facts: Facts = {
  effects: effectsOfMeans,
  invitation: 'Ask what the two factors do',
  samples: 'cells',
  testsAlone: true,
  along: 'a',
  methods: ['means'],
  sums: true,
  follows: 'levels',
  // A difference of differences is no range of means.
  followUps: (_, { within }) => (within === 'interaction' ? adjustments : [...adjustments, 'tukey']),
};
