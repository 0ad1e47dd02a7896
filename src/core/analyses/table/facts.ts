import type { Facts } from '../facts';

export const fit: Facts = { methods: ['chi-square'] };
export const dependence: Facts = { methods: ['chi-square', 'g', 'exact', 'shuffle'] };
