import { withDerived } from './derive';
import { type Group, subjectOfRow } from './groups';
import type { Table } from './table';

/** One sample: the readings of one subject within a group. */
export interface Sample {
  name: string;
  /** The place of its group among those given. */
  group: number;
  rows: number[];
  values: number[];
}

/** The readings of groups by sample, group after group; a row that names none is a sample of its own. */
export function samplesOf(table: Table, groups: readonly Pick<Group, 'readings'>[]): Sample[] {
  const subjectOf = subjectOfRow(withDerived(table));
  return groups.flatMap(({ readings }, group) => {
    const samples = new Map<string, Sample>();
    for (const { row, value } of readings.used) {
      const named = subjectOf?.(row) ?? '';
      const name = named === '' ? `row ${row + 1}` : named;
      const sample = samples.get(name);
      if (sample) {
        sample.rows.push(row);
        sample.values.push(value);
      } else samples.set(name, { name, group, rows: [row], values: [value] });
    }
    return [...samples.values()];
  });
}
