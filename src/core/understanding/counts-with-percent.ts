/**
 * Counts with their percentages in one cell, "34 (85 %)": the percentages follow from the counts and their totals, and are
 * left out; where no total stands beside them, it is worked out.
 */
import { type Worked, mostGroups } from './limits-apart';
import type { Incoming } from './seen';
import { slack } from './sums';
import { outOfName } from './vocabulary';

const counted = /^\s*(\d[\d\s]*?)\s*[([]\s*(\d+(?:[.,]\d+)?)\s*(%?)\s*[)\]]\s*$/;

/** Whether a text says a count and its percentage. */
export const isCountWithPercent = (text: string): boolean => counted.exec(text)?.[3] === '%';

interface Part {
  count: number;
  /** In percent, with half of its last digit. */
  percent: number;
  within: number;
}

function partOf(cell: string): Part | undefined {
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
  const parts = cells.map(partOf);
  const are = said && filled.length > 0 && parts.filter((p) => p !== undefined).length === filled.length;
  return are && parts.every((p) => !p || p.percent <= 100) ? parts : undefined;
}

/** What a count is out of, where its percentage leaves one whole number only. */
function totalOf(part: Part | undefined): string {
  if (!part || part.count === 0) return '';
  const least = Math.ceil((100 * part.count) / (part.percent + part.within));
  const most = part.percent > part.within ? Math.floor((100 * part.count) / (part.percent - part.within)) : NaN;
  return least === most ? String(least) : '';
}

/** Counts without their percentages; where there is one column of them and nothing it is out of, with the totals they leave. */
function withTotals(counts: Incoming[], several: boolean, parts: readonly (Part | undefined)[]): Worked {
  const totals = parts.map(totalOf);
  return several || counts.some((c) => outOfName.test(c.name)) || totals.includes('')
    ? { columns: counts, notes: ['The percentages beside the counts follow from them, and were left out.'] }
    : {
        columns: [...counts, { name: 'n', unit: '', cells: totals }],
        notes: ['Each count’s total was worked out from its percentage, which is left out.'],
      };
}

const bare = (name: string): string => name.replace(/[,;]?\s*(?:\bn\b|no\.?)?\s*[([]?\s*%\s*[)\]]?\s*$/iu, '').trim();

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
  const parts = (percentsOf(only.of) ?? []).map((of, i) => ({ count: Number(only.count.cells[i]), ...of }));
  return withTotals(counts, pairs.length > 1, parts);
}

/** Columns with the counts of such cells alone, and without columns of percentages beside counts of the same name. */
export function countsWithPercent(columns: readonly Incoming[]): Worked {
  const parts = columns.map(partsOf);
  const found = parts.filter((p) => p !== undefined);
  const [only] = found;
  if (!only) return percentsBeside(columns);
  const counts = columns.map((c, k): Incoming => {
    const own = parts[k];
    return own ? { name: bare(c.name) || 'count', unit: '', cells: own.map((p) => (p ? String(p.count) : '')) } : c;
  });
  return withTotals(counts, found.length > 1, only);
}
