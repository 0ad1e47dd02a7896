import { type DesignFacts, effectsOfMeans } from '../../facts';

/** Two groups of samples, several readings of each. */
export const facts: DesignFacts = {
  compares: 'two',
  sampling: 'nested',
  effects: effectsOfMeans,
  invitation: 'Ask whether two groups differ',
  asWithin: 'Compare them in pairs',
  methods: ['means'],
  order: 'minus',
  differences: true,
  equivalence: true,
  samples: 'nested',
};
