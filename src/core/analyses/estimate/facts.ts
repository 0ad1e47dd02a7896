import type { Facts } from '../facts';

export const facts: Facts = {
  invitation: 'Ask for its mean with an interval',
  samples: 'readings',
  methods: ({ knownSd }) => (knownSd === undefined ? ['means', 'ranks'] : ['means', 'z', 'ranks']),
  statistics: 'of-one',
  knownSd: true,
};
