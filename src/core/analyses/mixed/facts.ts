import type { Facts } from '../facts';

export const facts: Facts = {
  within: 'is measured under every condition',
  follows: 'conditions',
  methods: ['means'],
  // Huynh and Feldt's ε is for one group of subjects.
  sphericities: ['greenhouse-geisser', 'assumed'],
};
