import { type DesignFacts, ofTwo } from '../facts';

/** Two independent groups. */
export const facts: DesignFacts = {
  compares: 'two',
  sampling: 'once',
  ...ofTwo,
  asWithin: 'Compare them in pairs',
  methods: (question) => [
    'means',
    ...(question.knownSd === undefined || question.effect === 'ratio' ? [] : (['z'] as const)),
    'ranks',
    'shuffle',
    'likelihood',
  ],
  knownSd: true,
  statistics: 'of-two',
  spreads: true,
};
