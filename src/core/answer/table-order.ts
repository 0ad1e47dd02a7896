import type { Answer } from './answer';

/** Groups, or what stands for each, in the order of the table, whichever is subtracted from which: pictures keep it. */
export const inTableOrder = <T>({ reversed }: Pick<Answer, 'reversed'>, items: readonly T[]): readonly T[] =>
  reversed ? [...items].reverse() : items;
