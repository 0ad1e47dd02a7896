import { type Facts, adjustments } from '../facts';

export const facts: Facts = {
  invitation: 'Ask what the two factors do',
  samples: 'cells',
  testsAlone: true,
  along: 'a',
  methods: ['means'],
  sums: true,
  follows: 'levels',
  followUps: () => [...adjustments, 'tukey'],
};
