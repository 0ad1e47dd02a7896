import type { Facts } from '../facts';

export const one: Facts = { methods: ['chi-square'], value: 1 };
export const two: Facts = { methods: ['f', 'brown-forsythe', 'levene'] };
export const paired: Facts = { methods: ['pitman-morgan'], within: 'is measured twice' };
export const several: Facts = { methods: ['brown-forsythe', 'levene', 'bartlett'] };
