import type { Facts } from '../../facts';

export const facts: Facts = {
  invitation: 'Ask for its SD with an interval',
  samples: 'readings',
  methods: ['chi-square'],
};
