import type { Facts } from '../facts';

export const facts: Facts = {
  invitation: 'Ask whether two groups differ',
  samples: 'pairs',
  methods: ['means', 'ranks', 'shuffle'],
  statistics: 'of-one',
  order: 'minus',
  differences: true,
  equivalence: true,
  within: 'is measured twice',
};
