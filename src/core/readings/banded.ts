/** Readings counted by the side of a cut-off they lie on: "shorter than 15 mm". */
import { DomainError } from '../numeric/domain-error';
import { quantile, sortedUp } from '../numeric/quantile';
import type { Category, CountTable } from './counts';
import { type Choice, type Group, chosenColumns, columnsAreGroups, groupsOf, pairsOf } from './groups';
import type { Reading } from './read-column';
import { type Table, called } from './table';
import { addTo } from '../numeric/add-to';

/** The two sides of a cut-off. */
export const sides = ['below', 'from'] as const;

/** Which groups are counted: all, or the same subjects in two. */
export interface Banding extends Choice {
  cut: number;
  pair?: readonly [string | undefined, string | undefined] | undefined;
}

function sideNames(table: Table, { cut, ...choice }: Banding, groups: readonly Group[]): Category[] {
  const [only, another] = groups;
  const unit = only?.unit ?? '';
  // A column that stands alone is what was measured.
  const alone = only && !another ? only.name : '';
  const measure = columnsAreGroups(table) ? table.measure || alone : called(chosenColumns(table, choice).measure);
  const at = `${String(cut).replace('-', '−')}${unit && ` ${unit}`}`;
  const named = (words: string): string => `${measure && `${measure} `}${words}`;
  return [
    { id: 'below', name: named(`below ${at}`) },
    { id: 'from', name: named(`of ${at} or more`) },
  ];
}

const asideOf = (groups: readonly Group[]): number => groups.reduce((n, g) => n + g.readings.aside.length, 0);

/** Groups by sides, or of two groups' pairs the side before by the side after. @throws DomainError when a group is gone */
export function bandedCounts(table: Table, banding: Banding): CountTable {
  const { cut, pair } = banding;
  const groups = groupsOf(table, banding);
  const sideOf = ({ value, limited, row }: Reading): 0 | 1 => {
    if (limited !== 'censored') return value < cut ? 0 : 1;
    if (value > cut)
      throw new DomainError(
        `Of row ${row + 1} it is known only that it lies below ${value}, and not on which side of ${cut}: choose a cut-off of ${value} or more.`,
      );
    return 0;
  };
  const categories = sideNames(table, banding, groups);
  const rest = { half: 0, rounded: [] };
  if (pair) {
    const [a, b] = pair.map((id) => groups.find((g) => g.id === id));
    if (!a || !b) throw new DomainError('One of the groups compared is no longer in the readings: choose another.');
    const counts = [
      [0, 0],
      [0, 0],
    ];
    for (const { a: before, b: after } of pairsOf(table, a, b).pairs) {
      const line = counts[sideOf(before)] ?? [];
      const side = sideOf(after);
      addTo(line, side, 1);
    }
    return {
      rows: { name: a.name, categories: categories.map((c, colour) => ({ ...c, colour })) },
      columns: { name: b.name, categories },
      counts,
      aside: asideOf([a, b]),
      ...rest,
    };
  }
  return {
    rows: { name: 'group', categories: groups.map(({ id, name, colour }) => ({ id, name, colour })) },
    columns: { name: 'side of the cut-off', categories },
    counts: groups.map((g) => {
      const below = g.readings.used.filter((r) => sideOf(r) === 0).length;
      return [below, g.readings.used.length - below];
    }),
    aside: asideOf(groups),
    ...rest,
  };
}

/** A cut-off to begin with: the middle reading of all, to three digits. */
export function middleOf(table: Table, choice: Choice): number {
  const all = groupsOf(table, choice).flatMap((g) => g.readings.used.map((r) => r.value));
  return all.length > 0 ? Number(quantile(sortedUp(all), 0.5).toPrecision(3)) : 0;
}
