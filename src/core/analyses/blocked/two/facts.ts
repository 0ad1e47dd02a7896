import { type DesignFacts, effectsOfMeans } from '../../facts';

/** Two independent groups, compared within blocks. */
export const facts: DesignFacts = {
  compares: 'two',
  sampling: 'blocked',
  effects: effectsOfMeans,
  invitation: 'Ask whether two groups differ',
  methods: ['means', 'mixed-model'],
  order: 'minus',
  differences: true,
  equivalence: true,
};
