import type { Facts } from '../../facts';

export const facts: Facts = { methods: ['score', 'exact'], value: 0.5 };
