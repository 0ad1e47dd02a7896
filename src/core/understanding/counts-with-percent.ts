/**
 * Counts with their percentages in one cell, "34 (85 %)": the percentages follow from the counts and their totals, and are
 * left out; where no total stands beside them, it is worked out.
 */
import { least, sum } from 'd3-array';
import { holdsShares } from '../readings/share-cell';
import { type Worked, mostGroups } from './limits-apart';
import { some } from './doubts/doubt';
import type { Incoming } from './seen';
import { slack } from './sums';
import { outOfName } from './vocabulary';

/** A head over counts and what each is out of: "settled n/N". */
export const isWrittenOut = /\bn\s*\/\s*n\b/i;

const counted = /^\s*(\d[\d\s]*?)\s*[([]\s*(\d+(?:[.,]\d+)?)\s*(%?)\s*[)\]]\s*$/;

/** Whether a text says a count and its percentage. */
export const isCountWithPercent = (text: string): boolean => counted.exec(text)?.[3] === '%';

interface Part {
  count: number;
  /** In percent, with half of its last digit. */
  percent: number;
  within: number;
}

/** The count and the percentage of a cell, "34 (85 %)". */
export function countWithPercent(cell: string): Part | undefined {
  const [, count = '', percent = ''] = counted.exec(cell) ?? [];
  if (count === '') return undefined;
  return {
    count: Number(count.replace(/\s/g, '')),
    percent: Number(percent.replace(',', '.')),
    within: slack(percent),
  };
}

/** The parts of a column whose every cell is a count with its percentage; undefined of any other. */
function partsOf({ name, unit, cells }: Incoming): (Part | undefined)[] | undefined {
  // Such cells stand in tables of groups, and groups are few.
  if (cells.length > mostGroups) return undefined;
  const filled = cells.filter((c) => c.trim() !== '');
  const said = unit === '%' || name.includes('%') || filled.some((c) => /%\s*[)\]]\s*$/.test(c));
  const parts = cells.map(countWithPercent);
  const are = said && filled.length > 0 && parts.filter((p) => p !== undefined).length === filled.length;
  return are && parts.every((p) => !p || p.percent <= 100) ? parts : undefined;
}

/** What a count is out of, where its percentage leaves one whole number only. */
export function totalOf(part: Part | undefined): string {
  if (!part || part.count === 0) return '';
  const least = Math.ceil((100 * part.count) / (part.percent + part.within));
  const most = part.percent > part.within ? Math.floor((100 * part.count) / (part.percent - part.within)) : NaN;
  return least === most ? String(least) : '';
}

/** A column of counts, and each with its percentage. */
interface Counted {
  column: Incoming;
  parts: readonly (Part | undefined)[];
}

/** How far a percentage may lie from what its count comes to, beyond the rounding of its last digit. */
const allowed = 0.01;

/** The percentages that do not follow from their counts, whatever most are of: a total beside them, the others of the row, or the column. */
function contradictions(counted: readonly Counted[], total: Incoming | undefined): { column: Incoming; row: number }[] {
  const counts = counted.map(({ parts }) => parts.map((p) => p?.count ?? 0));
  const bases: ((k: number, row: number) => number)[] = [
    ...(total ? [(_: number, row: number) => Number(total.cells[row])] : []),
    ...(counted.length > 1 ? [(_: number, row: number) => sum(counts, (c) => c[row])] : []),
    (k) => sum(counts[k] ?? []),
  ];
  const ways = bases.map((of) =>
    counted.flatMap(({ column, parts }, k) =>
      parts.flatMap((p, row) =>
        p && !(Math.abs((100 * p.count) / of(k, row) - p.percent) <= p.within + allowed) ? [{ column, row }] : [],
      ),
    ),
  );
  return least(ways, (way) => way.length) ?? [];
}

/** Counts without their percentages; where there is one column of them and nothing it is out of, with the totals they leave. */
function withTotals(columns: Incoming[], counted: readonly Counted[]): Worked {
  const [only, ...more] = counted;
  const total = columns.find((c) => outOfName.test(c.name));
  const totals = only?.parts.map(totalOf) ?? [];
  if (more.length === 0 && !total && !totals.includes(''))
    return {
      columns: [...columns, { name: 'n', unit: '', cells: totals }],
      notes: ['Each count’s total was worked out from its percentage, which is left out.'],
    };
  const odd = contradictions(counted, total);
  const places = odd.map(({ column, row }) => `“${column.name}”, row ${row + 1}`);
  const all = sum(counted, ({ parts }) => parts.filter(Boolean).length);
  return {
    columns,
    notes: [
      odd.length === 0
        ? 'The percentages beside the counts follow from them, and were left out.'
        : 2 * odd.length < all || total
          ? `The percentages beside the counts were left out. They follow from the counts except in ${some(places)}: check the count there.`
          : 'The percentages beside the counts were left out; what they are of cannot be told.',
    ],
  };
}

/** What a head says of how its cells are written: "settled, n/N (%)". */
const howWritten = /[,;]?\s*(?:\bn\s*\/\s*n\b\s*(?:[([]?\s*%\s*[)\]]?)?|(?:\bn\b|no\.?)?\s*[([]?\s*%\s*[)\]]?)\s*$/iu;
const bare = (name: string): string => name.replace(howWritten, '').trim();

/** Columns of shares written out without what their heads say of it. */
const withBareHeads = (columns: readonly Incoming[]): Incoming[] =>
  columns.map((c) =>
    (isWrittenOut.test(c.name) || c.unit === '%') && holdsShares(c.cells) ? { ...c, name: bare(c.name), unit: '' } : c,
  );

/** The percentages of a column of them; undefined of any other. */
function percentsOf({ name, unit, cells }: Incoming): { percent: number; within: number }[] | undefined {
  const filled = cells.filter((c) => c.trim() !== '');
  const parts = filled.map((c) => /^(\d+(?:[.,]\d+)?)\s*%?$/.exec(c.trim())?.[1]);
  const said = unit === '%' || name.includes('%') || filled.every((c) => c.trim().endsWith('%'));
  if (!said || filled.length < cells.length || filled.length === 0 || parts.includes(undefined)) return undefined;
  return parts.map((text = '') => ({ percent: Number(text.replace(',', '.')), within: slack(text) }));
}

/** Columns of percentages that stand beside the counts they are of, "alive" and "alive %", left out; a lone pair gets its totals. */
function percentsBeside(columns: readonly Incoming[]): Worked {
  const whole = (c: Incoming): boolean => c.unit === '' && c.cells.every((cell) => /^\s*\d+\s*$/.test(cell));
  const named = (c: Incoming): string => bare(c.name).replace(/[\s,;([]*\b(?:n|no\.?|count)[)\]]?$/iu, '');
  const stem = (c: Incoming): string => named(c).toLowerCase();
  const pairs = columns.flatMap((count) => {
    if (!whole(count) || outOfName.test(count.name) || count.cells.length > mostGroups) return [];
    const of = columns.find((c) => c !== count && stem(c) === stem(count) && percentsOf(c));
    return of ? [{ count, of }] : [];
  });
  const [only] = pairs;
  if (!only) return { columns: [...columns], notes: [] };
  const counts = columns.flatMap((c): Incoming[] => {
    if (pairs.some((p) => p.of === c)) return [];
    return pairs.some((p) => p.count === c) ? [{ ...c, name: named(c) || 'count' }] : [c];
  });
  return withTotals(
    counts,
    pairs.map(({ count, of }) => ({
      column: { ...count, name: named(count) || 'count' },
      parts: (percentsOf(of) ?? []).map((percent, i) => ({ count: Number(count.cells[i]), ...percent })),
    })),
  );
}

/** Columns with the counts of such cells alone, and without columns of percentages beside counts of the same name. */
export function countsWithPercent(columns: readonly Incoming[]): Worked {
  const found = columns.map((column) => {
    const parts = partsOf(column);
    return parts && { column: { ...column, name: bare(column.name) || 'count' }, parts };
  });
  const counted = found.filter((c) => c !== undefined);
  if (counted.length === 0) return percentsBeside(withBareHeads(columns));
  const counts = columns.map((c, k): Incoming => {
    const own = found[k];
    return own ? { ...own.column, unit: '', cells: own.parts.map((p) => (p ? String(p.count) : '')) } : c;
  });
  return withTotals(counts, counted);
}
