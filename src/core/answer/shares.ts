/** Shares: how many of those counted were something. */
import { nth } from '../numeric/nth';
import { DomainError } from '../numeric/domain-error';
import { independence } from '../procedures/independence';
import { type Share, proportionInterval } from '../procedures/one-proportion';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import type { CountTable } from '../readings/counts';
import type { Comparison } from './comparison';
import { countedPart } from './counted-part';
import { type GroupPart } from './group-part';

/** A group of which only counts are known. */
export function counted(
  { id, name, colour }: { id: string; name: string; colour: number },
  { successes, n }: Share,
  question: Question,
): GroupPart {
  const part: GroupPart = {
    id,
    name,
    unit: '',
    colour,
    column: '',
    decimals: 0,
    readings: { used: [], aside: [], unread: [] },
    n,
  };
  if (n === 0) return part;
  const interval = proportionInterval({ successes, n }, question.level, choicesOf(question).shareInterval);
  return { ...part, share: { successes, proportion: successes / n, interval } };
}

/** Where the category asked about stands among the outcomes. @throws DomainError when it is gone */
export function foundAt({ columns }: CountTable, found: string | undefined): number {
  const place = found === undefined ? 0 : columns.categories.findIndex((c) => c.id === found);
  if (place < 0) throw new DomainError('What was to be found is no longer among the categories: choose another.');
  return place;
}

export const total = (row: readonly number[]): number => row.reduce((a, b) => a + b, 0);

/** Every group of the table as a share of its counts. */
export function shareParts(table: CountTable, question: Question): GroupPart[] {
  const place = foundAt(table, question.found);
  return table.rows.categories.map((row, i) => {
    const line = table.counts[i] ?? [];
    return counted(row, { successes: nth(line, place), n: total(line) }, question);
  });
}

/** The counts of a group that has some. @throws DomainError naming an empty one */
export function shareOf(group: GroupPart): Share {
  if (!group.share) throw new DomainError(`Nothing was counted in ${group.name}: leave it out, or add its counts.`);
  return { successes: group.share.successes, n: group.n };
}

/** Intervals of a share by the names the field gives them. */
export const intervalNames = {
  wilson: 'Wilson',
  'clopper-pearson': 'Clopper–Pearson',
  'agresti-coull': 'Agresti–Coull',
  wald: 'Wald',
} as const;

/** Groups as the rows of a table of two outcomes. */
export function tableOfShares(parts: readonly GroupPart[]): NonNullable<Comparison['counts']> {
  const observed = parts.map((g) => {
    const { successes, n } = shareOf(g);
    return [successes, n - successes];
  });
  const { expected, adjusted } = independence(observed);
  return countedPart(
    { rowName: 'group', columnName: 'outcome', rows: parts.map((g) => g.name), columns: ['found', 'not'] },
    observed,
    expected,
    adjusted,
  );
}
