import type { Facts } from '../../facts';

export const facts: Facts = {
  invitation: 'Ask whether its share differs from a stated one',
  effectsAre: 'difference of shares',
  namesTest: true,
  methods: ['score', 'exact'],
};
