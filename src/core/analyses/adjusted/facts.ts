import { type DesignFacts, ofSeveral, ofTwo } from '../facts';

/** Two independent groups, adjusted for a covariate. */
export const two: DesignFacts = { ...ofTwo, compares: 'two', sampling: 'adjusted', methods: ['means', 'change'] };

/** Several independent groups, adjusted for a covariate. */
export const several: DesignFacts = { ...ofSeveral, compares: 'several', sampling: 'adjusted', methods: ['means'] };
