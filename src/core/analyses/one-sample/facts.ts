import type { Facts } from '../facts';

export const facts: Facts = {
  invitation: 'Ask whether its mean differs from a fixed value',
  samples: 'readings',
  methods: ({ knownSd }) => (knownSd === undefined ? ['means', 'ranks'] : ['means', 'z', 'ranks']),
  statistics: 'of-one',
  equivalence: true,
  knownSd: true,
};
