/** Where names of one column stand by another: a tank under its treatment, or under several. */
import { textAt } from './cell-at';

/** How many names a column has, and how many of them stand beside more than one name of another; empty cells count for neither. */
export function standing(inner: readonly string[], outer: readonly string[]): { names: number; several: number } {
  const home = new Map<string, string>();
  const several = new Set<string>();
  inner.forEach((cell, row) => {
    const [name, at] = [cell.trim(), textAt(outer, row)];
    if (name === '' || at === '') return;
    if (!home.has(name)) home.set(name, at);
    else if (home.get(name) !== at) several.add(name);
  });
  return { names: home.size, several: several.size };
}
