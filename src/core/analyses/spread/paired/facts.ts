import type { Facts } from '../../facts';

export const facts: Facts = {
  effectsAre: 'ratio of SDs',
  samples: 'pairs',
  namesTest: true,
  order: 'over',
  methods: ['pitman-morgan'],
  within: 'is measured twice',
};
