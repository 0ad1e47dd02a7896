import type { Facts } from '../../facts';

export const facts: Facts = { methods: ['f', 'brown-forsythe', 'levene'] };
