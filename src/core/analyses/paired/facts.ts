import type { Facts } from '../facts';

export const facts: Facts = {
  methods: ['means', 'ranks', 'shuffle'],
  statistics: 'of-one',
  order: 'minus',
  differences: true,
  equivalence: true,
  within: 'is measured twice',
};
