import { type DesignFacts, effectsOfMeans } from '../../facts';

/** Two independent groups, adjusted for a covariate. */
export const facts: DesignFacts = {
  compares: 'two',
  sampling: 'adjusted',
  effects: effectsOfMeans,
  invitation: 'Ask whether two groups differ',
  methods: ['means', 'change'],
  order: 'minus',
  differences: true,
  equivalence: true,
};
