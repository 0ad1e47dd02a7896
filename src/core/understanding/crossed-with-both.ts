/** Subjects that were read under every combination of two factors, so that they are compared with themselves. */
import type { FactorChoice } from '../readings/factors';
import { factorColumns } from '../readings/factors';
import { levelsOf } from '../readings/levels';
import { repeatsInCells } from '../readings/repeats';
import { type Table, columnsOf } from '../readings/table';
import { bareNumber, isTimeName, numbersStay } from './vocabulary';

/** What settles that numbers which come under several groups name the same subjects. */
export const throughout = 'throughout';

/**
 * Whether nearly every subject has readings under every combination. Bare numbers name the same subject throughout only
 * where they number persons, blocks or identities, where one factor is time, or where someone said so: plants 1 to 6 of each
 * treatment are others in each.
 */
export function isCrossedWithBoth(table: Table, choice: FactorChoice): boolean {
  const [subject] = columnsOf(table, 'subject');
  const factors = factorColumns(table, choice);
  const [a, b] = factors;
  if (!subject || !a || !b || table.shape !== 'rows') return false;
  const cells = levelsOf(a).length * levelsOf(b).length;
  const repeats = repeatsInCells(table, choice);
  if (!repeats || repeats.distinct < 2 || cells < 4 || repeats.subjects < 0.8 * repeats.distinct * cells) return false;
  return (
    numbersStay(subject.name) ||
    table.settled?.['no-subject-column'] === throughout ||
    factors.some((c) => c !== undefined && isTimeName(c.name)) ||
    !subject.cells.every((cell) => cell.trim() === '' || bareNumber.test(cell.trim()))
  );
}
