import { type DesignFacts, ofSeveral, ofTwo } from '../facts';

const methods = ['means', 'mixed-model'] as const;

/** Two independent groups, compared within blocks. */
export const two: DesignFacts = { ...ofTwo, compares: 'two', sampling: 'blocked', methods };

/** Several independent groups, compared within blocks. */
export const several: DesignFacts = { ...ofSeveral, compares: 'several', sampling: 'blocked', methods };
