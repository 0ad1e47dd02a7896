/** Adds to one number of a list; a place not filled before begins at zero. */
export function addTo(list: Record<number, number>, place: number, more: number): void {
  list[place] = (list[place] ?? 0) + more;
}
