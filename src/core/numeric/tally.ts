/** Counts one more of a thing, or several; what was not counted before begins at none. */
export function tally<T>(counts: Map<T, number>, of: T, more = 1): void {
  counts.set(of, (counts.get(of) ?? 0) + more);
}
