import type { Facts } from '../../facts';

export const facts: Facts = { methods: ['score', 'exact', 'mid-p'], within: 'is measured twice' };
