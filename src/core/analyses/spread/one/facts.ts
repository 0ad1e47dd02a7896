import type { Facts } from '../../facts';

export const facts: Facts = { methods: ['chi-square'], value: 1 };
