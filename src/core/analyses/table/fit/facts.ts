import type { Facts } from '../../facts';

export const facts: Facts = { namesTest: true, methods: ['chi-square'] };
