import type { DesignFacts } from '../facts';

/** One group against a fixed value. */
export const facts: DesignFacts = {
  compares: 'value',
  sampling: 'once',
  invitation: 'Ask whether its mean differs from a fixed value',
  samples: 'readings',
  methods: ({ knownSd }) => (knownSd === undefined ? ['means', 'ranks'] : ['means', 'z', 'ranks']),
  statistics: 'of-one',
  equivalence: true,
  knownSd: true,
};
