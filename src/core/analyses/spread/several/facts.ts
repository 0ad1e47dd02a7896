import type { Facts } from '../../facts';

export const facts: Facts = { methods: ['brown-forsythe', 'levene', 'bartlett'] };
