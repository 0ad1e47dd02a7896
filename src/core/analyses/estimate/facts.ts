import type { DesignFacts } from '../facts';

/** One group alone: how large it is, with its interval, and no claim about it. */
export const facts: DesignFacts = {
  compares: 'estimate',
  sampling: 'once',
  invitation: 'Ask for its mean with an interval',
  samples: 'readings',
  methods: ({ knownSd }) => (knownSd === undefined ? ['means', 'ranks'] : ['means', 'z', 'ranks']),
  statistics: 'of-one',
  knownSd: true,
};
