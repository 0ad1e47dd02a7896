import { type DesignFacts, ofTwo } from '../facts';

/** Two independent groups. */
export const facts: DesignFacts = {
  compares: 'two',
  sampling: 'once',
  ...ofTwo,
  asWithin: 'Compare them in pairs',
  methods: ({ knownSd, effect }) => [
    'means',
    ...(knownSd === undefined || effect === 'ratio' ? [] : (['z'] as const)),
    'ranks',
    'shuffle',
    'likelihood',
  ],
  knownSd: true,
  statistics: 'of-two',
  spreads: true,
};
