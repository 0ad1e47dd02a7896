/** Extremes of lists of any length: `Math.max(...list)` takes only so many arguments. */

/** The least value; Infinity of none. */
export function leastOf(values: ArrayLike<number>): number {
  let least = Infinity;
  for (let i = 0; i < values.length; i++) least = Math.min(least, values[i] ?? Infinity);
  return least;
}

/** The largest value; −Infinity of none. */
export function mostOf(values: ArrayLike<number>): number {
  let most = -Infinity;
  for (let i = 0; i < values.length; i++) most = Math.max(most, values[i] ?? -Infinity);
  return most;
}
