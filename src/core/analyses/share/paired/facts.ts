import type { Facts } from '../../facts';

export const facts: Facts = {
  invitation: 'Ask whether the shares differ',
  effectsAre: 'difference of shares',
  namesTest: true,
  effects: { difference: 'their difference', odds: 'the odds of changing' },
  methods: ['score', 'exact', 'mid-p'],
  within: 'is measured twice',
};
