import { type Facts, effectsOfMeans } from '../facts';

export const facts: Facts = {
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
