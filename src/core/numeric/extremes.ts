/** Extremes of lists of any length: `Math.max(...list)` takes only so many arguments. */

/** The least value; Infinity of none. */
export function leastOf(values: ArrayLike<number>): number {
  let least = Infinity;
  for (let i = 0; i < values.length; i++) {
    const x = values[i] ?? Infinity;
    if (x < least) least = x;
  }
  return least;
}

/** The largest value; −Infinity of none. */
export function mostOf(values: ArrayLike<number>): number {
  let most = -Infinity;
  for (let i = 0; i < values.length; i++) {
    const x = values[i] ?? -Infinity;
    if (x > most) most = x;
  }
  return most;
}
