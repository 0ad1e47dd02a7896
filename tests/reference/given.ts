/** Reading what a case gives. */
export type Given = Record<string, unknown>;

export const number = (given: Given, key: string): number => given[key] as number;
export const values = (given: Given, key: string): number[] => given[key] as number[];
/** Named groups, in the order given. */
export const groups = (given: Given): [string, number[]][] =>
  Object.entries(given['groups'] as Record<string, number[]>);
