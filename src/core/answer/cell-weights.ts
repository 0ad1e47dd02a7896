/** Weights of means: of k groups, and of the cells of two factors. */

/** The weights of one mean among k, less another where one is named. */
export const weightsOf = (k: number, a: number, b?: number): number[] =>
  Array.from({ length: k }, (_, i) => Number(i === a) - Number(i === b));

/** All of k alike. */
export const even = (k: number): number[] => new Array<number>(k).fill(1 / k);

/** The first of k less each of the others. */
export const lessFirst = (k: number): number[][] => Array.from({ length: k - 1 }, (_, i) => weightsOf(k, 0, i + 1));

/** Weights over cells, level after level of the first factor: the product of those of the two factors' levels. */
export const crossed = (first: readonly number[], second: readonly number[]): number[] =>
  first.flatMap((a) => second.map((b) => a * b));
