import type { Facts } from '../../facts';

export const facts: Facts = { namesTest: true, order: 'over', methods: ['f', 'brown-forsythe', 'levene'] };
