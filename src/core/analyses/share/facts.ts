import type { Facts } from '../facts';

export const one: Facts = { methods: ['score', 'exact'], value: 0.5 };
export const two: Facts = {
  methods: ['score', 'exact', 'shuffle'],
  // Fisher's test has an interval of its own, of the odds ratio; that of the difference may contradict it.
  effect: (method) => (method === 'exact' ? 'odds' : 'difference'),
};
export const paired: Facts = { methods: ['score', 'exact', 'mid-p'], within: 'is measured twice' };
export const several: Facts = { methods: ['chi-square', 'g', 'exact', 'shuffle'] };
