import type { Facts } from '../facts';

export const facts: Facts = { methods: ['means', 'ranks', 'shuffle'], statistics: true, within: 'is measured twice' };
