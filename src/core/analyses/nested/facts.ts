import { type DesignFacts, ofSeveral, ofTwo } from '../facts';

/** Two groups of samples, several readings of each. */
export const two: DesignFacts = {
  ...ofTwo,
  compares: 'two',
  sampling: 'nested',
  asWithin: 'Compare them in pairs',
  methods: ['means'],
  samples: 'nested',
};

/** Several groups of samples, several readings of each. */
export const several: DesignFacts = {
  ...ofSeveral,
  compares: 'several',
  sampling: 'nested',
  asWithin: 'Compare each with itself',
  methods: ['means'],
  samples: 'nested',
};
