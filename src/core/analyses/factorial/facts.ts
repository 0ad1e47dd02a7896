import { type Facts, adjustments } from '../facts';

export const facts: Facts = { methods: ['means'], followUps: () => [...adjustments, 'tukey'] };
