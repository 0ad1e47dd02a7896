import { demand } from '../numeric/domain-error';
import { pairedDifferences } from '../procedures/paired-t';
import { pairsOf } from '../readings/groups';
import type { Table } from '../readings/table';
import type { Answer } from './answer';
import { there } from '../numeric/there';
import type { Comparison } from './comparison';
import { type GroupPart, demandReadings, describedBy } from './group-part';

/** The pairs of two groups. @throws DomainError in words where there is none */
export function demandPairs(table: Table, a: GroupPart, b: GroupPart): NonNullable<Comparison['pairing']> {
  demandReadings([a, b], 'Pairing');
  const pairing = pairsOf(table, a, b);
  demand(
    pairing.pairs.length > 0,
    pairing.bySubject
      ? `No ${table.subject || 'subject'} has a reading in both ${a.name} and ${b.name}: nothing can be paired. Check that they are named alike in both.`
      : `No row has a reading of both ${a.name} and ${b.name}: pairs stand side by side in a row, or share a name in a subject column.`,
  );
  return pairing;
}

/** The differences within pairs, as a group of readings. */
export const differencesOf = ({ pairs }: NonNullable<Comparison['pairing']>): number[] =>
  pairedDifferences(
    pairs.map((p) => p.a.value),
    pairs.map((p) => p.b.value),
  );

/** The differences within pairs, as the checks see them. */
export const pairedValues = ({ comparison }: Answer): number[][] => [
  comparison.ok && comparison.value.pairing ? differencesOf(comparison.value.pairing) : [],
];

/** Two groups described by the readings that have a partner, while every reading stays in the picture. */
export function onlyPaired(groups: readonly GroupPart[], { pairing }: Comparison, level: number): GroupPart[] {
  const { pairs, alone } = there(pairing, 'The pairs');
  // All of them, each as it is, need no other description.
  if (alone.length === 0 && !pairs.some((p) => p.a.rows ?? p.b.rows)) return [...groups];
  return groups.map((g, i) =>
    describedBy(
      g,
      pairs.map((p) => (i === 0 ? p.a.value : p.b.value)),
      level,
    ),
  );
}
