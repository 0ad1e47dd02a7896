/* eslint-disable @typescript-eslint/no-non-null-assertion -- indices lie within the array */

/**
 * Puts the values of these places of the sorted list at those places, the rest on the right side of them: what sorting
 * does, as far as it is needed. Source: Hoare (1961), the pivot by Floyd & Rivest (1975).
 * @param values reordered in place
 * @param places from 0, in order of size
 */
export function selectAll(values: Float64Array, places: readonly number[], from = 0, to = values.length - 1): void {
  if (places.length === 0) return;
  const middle = places.length >> 1;
  const place = places[middle]!;
  select(values, place, from, to);
  selectAll(values, places.slice(0, middle), from, place - 1);
  selectAll(values, places.slice(middle + 1), place + 1, to);
}

/** Puts the value of one place of the sorted list there. */
export function select(values: Float64Array, place: number, from = 0, to = values.length - 1): void {
  let [left, right] = [from, to];
  while (right > left) {
    if (right - left > 600) {
      // A pivot near the value wanted, from a sample about it.
      const n = right - left + 1;
      const i = place - left + 1;
      const z = Math.log(n);
      const s = 0.5 * Math.exp((2 * z) / 3);
      const sd = 0.5 * Math.sqrt((z * s * (n - s)) / n) * (i < n / 2 ? -1 : 1);
      select(
        values,
        place,
        Math.max(left, Math.floor(place - (i * s) / n + sd)),
        Math.min(right, Math.floor(place + ((n - i) * s) / n + sd)),
      );
    }
    const pivot = values[place]!;
    let [i, j] = [left, right];
    while (i <= j) {
      while (values[i]! < pivot) i += 1;
      while (values[j]! > pivot) j -= 1;
      if (i <= j) {
        const x = values[i]!;
        values[i] = values[j]!;
        values[j] = x;
        i += 1;
        j -= 1;
      }
    }
    if (j < place) left = i;
    if (i > place) right = j;
  }
}
/* eslint-enable @typescript-eslint/no-non-null-assertion */
