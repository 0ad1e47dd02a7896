/** Heads that say how many readings stand below them, "red (n = 5)": the name alone, and a word where they are not so many. */
import type { Worked } from './limits-apart';
import type { Incoming } from './seen';
import { valueOf } from './sums';

const sized = /^(.*[^\s,;([])\s*[,;]?\s*[([]?\s*\bn\s*=\s*(\d+)\s*[)\]]?$/iu;
/** Readings that stand below such a head at least: fewer are figures of the group. */
const fewest = 3;

export function sizesInHeads(columns: readonly Incoming[]): Worked {
  const notes: string[] = [];
  const named = columns.map((c) => {
    const [, name = '', n = ''] = sized.exec(c.name) ?? [];
    if (name === '') return c;
    const there = c.cells.filter((cell) => valueOf(cell) !== undefined).length;
    if (there < fewest) return c;
    if (there !== Number(n))
      notes.push(
        `“${c.name}” holds ${there} readings: either its head says too ${there < Number(n) ? 'many' : 'few'}, or some are missing.`,
      );
    return { ...c, name };
  });
  return { columns: named, notes };
}
