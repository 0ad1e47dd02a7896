import type { Facts } from '../facts';

export const facts: Facts = {
  methods: ['means', 'ranks', 'shuffle'],
  statistics: 'of-two',
  spreads: true,
  order: 'minus',
  differences: true,
  equivalence: true,
};
