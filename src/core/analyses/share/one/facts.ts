import type { Facts } from '../../facts';

export const facts: Facts = { namesTest: true, methods: ['score', 'exact'], value: 0.5 };
