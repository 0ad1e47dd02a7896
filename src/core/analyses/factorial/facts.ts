import { type Facts, adjustments } from '../facts';

export const facts: Facts = {
  methods: ['means'],
  sums: true,
  follows: 'levels',
  followUps: () => [...adjustments, 'tukey'],
};
