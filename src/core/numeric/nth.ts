/** An item of a list that is there by the way its place came about. @throws Error where it is not: a slip in the code */
export function nth<T>(list: ArrayLike<T>, place: number): T {
  const item = list[place];
  if (item === undefined) throw new Error(`Item ${place} of ${list.length} is missing.`);
  return item;
}
