import type { Facts } from '../../facts';

export const facts: Facts = { namesTest: true, follows: 'pairs', methods: ['chi-square', 'g', 'exact', 'shuffle'] };
