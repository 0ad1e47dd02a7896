import type { Facts } from '../facts';

export const facts: Facts = {
  methods: ({ knownSd }) => (knownSd === undefined ? ['means', 'ranks'] : ['means', 'z', 'ranks']),
  statistics: 'of-one',
  equivalence: true,
  knownSd: true,
};
