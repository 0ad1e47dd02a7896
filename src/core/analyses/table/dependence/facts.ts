import type { Facts } from '../../facts';

export const facts: Facts = { methods: ['chi-square', 'g', 'exact', 'shuffle'] };
