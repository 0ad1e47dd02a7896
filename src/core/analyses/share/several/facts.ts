import type { Facts } from '../../facts';

export const facts: Facts = {
  invitation: 'Ask whether the shares differ',
  effectsAre: 'difference of shares',
  namesTest: true,
  follows: 'pairs',
  methods: ['chi-square', 'g', 'exact', 'trend', 'shuffle'],
};
