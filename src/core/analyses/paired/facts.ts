import { type DesignFacts, effectsOfMeans } from '../facts';

/** The same subjects in both. */
export const facts: DesignFacts = {
  compares: 'two',
  sampling: 'within',
  effects: effectsOfMeans,
  invitation: 'Ask whether two groups differ',
  samples: 'pairs',
  methods: ['means', 'ranks', 'shuffle'],
  statistics: 'of-one',
  order: 'minus',
  differences: true,
  equivalence: true,
  within: 'is measured twice',
};
