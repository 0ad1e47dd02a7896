import type { Facts } from '../../facts';

export const facts: Facts = {
  invitation: 'Ask whether the shares differ',
  effectsAre: 'difference of shares',
  namesTest: true,
  order: 'shares',
  effects: { difference: 'their difference', ratio: 'their ratio', odds: 'the odds ratio' },
  methods: ['score', 'exact', 'shuffle'],
  // Fisher's test has an interval of its own, of the odds ratio; that of the difference may contradict it.
  effect: (method) => (method === 'exact' ? 'odds' : 'difference'),
};
