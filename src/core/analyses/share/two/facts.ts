import type { Facts } from '../../facts';

export const facts: Facts = {
  methods: ['score', 'exact', 'shuffle'],
  // Fisher's test has an interval of its own, of the odds ratio; that of the difference may contradict it.
  effect: (method) => (method === 'exact' ? 'odds' : 'difference'),
};
