import type { Facts } from '../../facts';

export const facts: Facts = {
  effectsAre: 'ratio of SDs',
  samples: 'readings',
  namesTest: true,
  methods: ['chi-square'],
};
