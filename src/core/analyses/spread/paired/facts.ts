import type { Facts } from '../../facts';

export const facts: Facts = { namesTest: true, order: 'over', methods: ['pitman-morgan'], within: 'is measured twice' };
