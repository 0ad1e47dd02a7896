/** Rows among the others that sum up those above them: "red mean" below the readings of red, "total" below its tanks. */
import { there } from '../numeric/there';
import { mean, sum } from 'd3-array';
import type { Beside } from '../readings/beside';
import { cellAt, textAt } from '../readings/cell-at';
import { slack, valueOf } from './sums';
import { summaryName, totalName } from './vocabulary';

interface Column {
  name: string;
  cells: readonly string[];
}

/** Rows of a table in which they are looked for. */
const most = 2000;

const word = (text: string): boolean => text.length > 2 && (summaryName.test(text) || totalName.test(text));
const isMean = (text: string): boolean => /^(?:mean|average|avg)/iu.test(text);

/** The word by which a cell sums up, and whether it says of what: "mean" of "red mean" or "Mean of red", where the rest is a name that stands in its column. */
function wordIn(text: string, names: ReadonlySet<string>): { word: string; of: boolean } | undefined {
  const tidy = text.replace(/:$/, '').trim();
  const ofAll = tidy.replace(/^(?:grand|overall)\s+/iu, '');
  if (word(ofAll)) return { word: ofAll, of: false };
  const [, before = '', last = ''] = /^(.+?)[\s,:–-]+(\S+)$/u.exec(tidy) ?? [];
  if (word(last) && names.has(before)) return { word: last, of: true };
  const [, first = '', after = ''] = /^(\S+?)[\s,:–-]+(?:of |for )?(.+)$/u.exec(tidy) ?? [];
  return word(first) && names.has(after) ? { word: first, of: true } : undefined;
}

/**
 * Such rows, where their word stands in a column of names and the numbers bear it out: each total is the sum, and each
 * mean the mean, of the rows since the last.
 */
export function subtotals(columns: readonly Column[]): { row: number; kind: Beside; name: string; exact: boolean }[] {
  const height = Math.max(0, ...columns.map((c) => c.cells.length));
  if (height < 4 || height > most) return [];
  const all = Array.from({ length: height }, (_, row) => row);
  const found = new Map<number, { word: string; of: boolean; column: Column }>();
  for (const column of columns) {
    // Names come again and again: each is looked at once, and numbers not at all.
    const rowsOf = new Map<string, number[]>();
    for (const row of all) {
      const text = textAt(column.cells, row);
      if (text === '' || /^[+−-]?[\d.,]+$/.test(text)) continue;
      const same = rowsOf.get(text);
      if (same) same.push(row);
      else rowsOf.set(text, [row]);
    }
    const names = new Set(rowsOf.keys());
    for (const [text, rows] of rowsOf) {
      const said = wordIn(text, names);
      for (const row of said ? rows : []) if (said && !found.has(row)) found.set(row, { ...said, column });
    }
  }
  if (found.size === 0) return [];
  const numbers = columns.filter((c) => all.some((row) => !found.has(row) && valueOf(c.cells[row]) !== undefined));
  const isReading = (row: number): boolean =>
    !found.has(row) && numbers.some((c) => valueOf(c.cells[row]) !== undefined);
  // "SD" and "n" stand right below a mean.
  for (const row of all) {
    const above = found.get(row - 1);
    const text = textAt(above?.column.cells, row);
    if (above && !found.has(row) && summaryName.test(text))
      found.set(row, { word: text, of: above.of, column: above.column });
  }
  const rows = all.filter((row) => found.has(row));
  const [first = height] = rows;
  // Those at the end, with no reading below them, are told by their names alone.
  if (!all.some((row) => row > first && isReading(row)) || 2 * rows.length >= height) return [];
  let borneOut = 0;
  const contradicted = new Set<number>();
  let from = 0;
  for (const row of rows) {
    const since = all.slice(from, row);
    from = row + 1;
    const { word: said = '', column } = found.get(row) ?? {};
    if (!isMean(said) && !totalName.test(said)) continue;
    // Right below another one it is of all rows.
    const of = since.length > 0 ? since : all.slice(0, row).filter(isReading);
    for (const { cells } of numbers.filter((c) => c !== column)) {
      const own = valueOf(cells[row]);
      const parts = of.flatMap((r) => valueOf(cells[r]) ?? []);
      if (own === undefined || parts.length === 0) continue;
      const made = isMean(said) ? there(mean(parts), 'mean') : sum(parts);
      if (Math.abs(made - own) <= slack(cellAt(cells, row))) borneOut += 1;
      else contradicted.add(row);
    }
  }
  // Words that name a group tell without the numbers of all: one of these may be a slip.
  const named = rows.every((row) => found.get(row)?.of);
  if (named ? borneOut < Math.max(1, contradicted.size) : borneOut < 2 || contradicted.size > 0) return [];
  return rows.map((row) => ({
    row,
    kind: totalName.test(there(found.get(row), 'name').word) ? 'total' : 'summary',
    name: textAt(found.get(row)?.column.cells, row),
    exact: !contradicted.has(row),
  }));
}
