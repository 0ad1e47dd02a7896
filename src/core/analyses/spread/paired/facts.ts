import type { Facts } from '../../facts';

export const facts: Facts = { methods: ['pitman-morgan'], within: 'is measured twice' };
