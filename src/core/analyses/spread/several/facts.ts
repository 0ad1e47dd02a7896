import type { Facts } from '../../facts';

export const facts: Facts = {
  effectsAre: 'ratio of SDs',
  namesTest: true,
  follows: 'pairs',
  methods: ['brown-forsythe', 'levene', 'bartlett'],
};
