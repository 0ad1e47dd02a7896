/** Names as numbers: what goes through the rows of a long table compares whole numbers, not texts. */
import { addTo } from '../numeric/add-to';
import { textAt } from './cell-at';

/** The place of each row among the different names there are, −1 where it has none. */
export interface Places<T extends string | number = string | number> {
  of: Int32Array;
  names: T[];
}

/** Numbers names as they first appear; undefined has no place. */
function numbered<T extends string | number>(length: number, at: (row: number) => T | undefined): Places<T> {
  const numbers = new Map<T, number>();
  const of = new Int32Array(length).fill(-1);
  for (let row = 0; row < length; row++) {
    const name = at(row);
    if (name === undefined) continue;
    const place = numbers.get(name) ?? numbers.size;
    if (place === numbers.size) numbers.set(name, place);
    of[row] = place;
  }
  return { of, names: [...numbers.keys()] };
}

const known = new WeakMap<readonly string[], Places<string>>();

/** The places of a column's cells, the empty ones without one; found once for a list of cells. */
export function placesOf(cells: readonly string[]): Places<string> {
  const before = known.get(cells);
  if (before) return before;
  const places = numbered(cells.length, (row) => {
    const name = textAt(cells, row);
    return name === '' ? undefined : name;
  });
  known.set(cells, places);
  return places;
}

/** So many different pairs are counted in a list of their own, which is faster than looking each up. */
const mostListed = 4_000_000;

/** Numbers whole numbers below a bound as they first appear. */
function numberedBelow(bound: number, length: number, at: (row: number) => number): Places<number> {
  if (bound > mostListed) return numbered(length, at);
  const numbers = new Int32Array(bound).fill(-1);
  const of = new Int32Array(length);
  const names: number[] = [];
  for (let row = 0; row < length; row++) {
    const name = at(row);
    if (numbers[name] === -1) numbers[name] = names.push(name) - 1;
    of[row] = numbers[name] ?? -1;
  }
  return { of, names };
}

/** The places of what several columns name together, an empty cell being a name like others. */
export const placesTogether = ([first, ...others]: readonly (readonly string[])[], length: number): Places =>
  others.reduce<Places>(
    (places, cells) => {
      const { of, names } = placesOf(cells);
      const across = names.length + 1;
      const at = (row: number): number => ((places.of[row] ?? -1) + 1) * across + (of[row] ?? -1) + 1;
      return numberedBelow((places.names.length + 1) * across, length, at);
    },
    placesOf(first ?? []),
  );

/** How many rows have each of so many places. */
export function sizesOf(places: Int32Array, count: number): Int32Array {
  const sizes = new Int32Array(count);
  for (const place of places) if (place >= 0) addTo(sizes, place, 1);
  return sizes;
}

/** How many names a column has beside another, and how many of them stand beside more than one name of it. */
interface Standing {
  names: number;
  several: number;
}

const knownStandings = new WeakMap<readonly string[], WeakMap<readonly string[], Standing>>();

/** How the names of one column stand beside those of another, empty cells counting for neither; found once for two lists of cells. */
export function standing(inner: readonly string[], outer: readonly string[]): Standing {
  const beside = knownStandings.get(inner) ?? new WeakMap<readonly string[], Standing>();
  knownStandings.set(inner, beside);
  const before = beside.get(outer);
  if (before) return before;
  const [named, homes] = [placesOf(inner), placesOf(outer).of];
  const home = new Int32Array(named.names.length).fill(-1);
  const several = new Uint8Array(named.names.length);
  for (let row = 0; row < named.of.length; row++) {
    const [name, at] = [named.of[row] ?? -1, homes[row] ?? -1];
    if (name < 0 || at < 0) continue;
    if (home[name] === -1) home[name] = at;
    else if (home[name] !== at) several[name] = 1;
  }
  const found = { names: home.filter((at) => at >= 0).length, several: several.filter((is) => is === 1).length };
  beside.set(outer, found);
  return found;
}
