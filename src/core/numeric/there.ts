/** A value that must be there by the way it came about. @throws Error naming it where it is not: a slip in the code */
export function there<T>(value: T | undefined, what: string): T {
  if (value === undefined) throw new Error(`${what} is missing.`);
  return value;
}
