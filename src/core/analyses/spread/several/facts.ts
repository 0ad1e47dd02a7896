import type { Facts } from '../../facts';

export const facts: Facts = { namesTest: true, follows: 'pairs', methods: ['brown-forsythe', 'levene', 'bartlett'] };
