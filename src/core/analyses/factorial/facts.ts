import { type DesignFacts, adjustments, effectsOfMeans } from '../facts';

/** Two factors, every sample under one level of each. */
export const facts: DesignFacts = {
  compares: 'factors',
  sampling: 'once',
  effects: effectsOfMeans,
  invitation: 'Ask what the two factors do',
  samples: 'cells',
  asWithin: 'Compare each with itself',
  testsAlone: true,
  along: 'a',
  methods: ['means'],
  sums: true,
  follows: 'levels',
  // A difference of differences is no range of means.
  followUps: (_, { within }) => (within === 'interaction' ? adjustments : [...adjustments, 'tukey']),
};
