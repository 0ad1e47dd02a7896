import type { Table } from '../../readings/table';
import { summedRows, totalColumn } from './beside-readings';
import { type TableDoubt, doubtCodes } from './doubt';
import { calendar, runningNumber } from './labels';
import { ambiguousLayout, unknownSpread, whichCategories, whichOutcome } from './layout';
import { nearNames, sameNames } from './names';
import { beyondLimits, scaleSlips } from './readings';
import { lostPartners, replicates, unnamedSubjects, withoutGroup } from './rows';
import { mixedUnitsOf } from './units';

const each = [
  ambiguousLayout,
  summedRows,
  totalColumn,
  calendar,
  runningNumber,
  whichOutcome,
  whichCategories,
  unnamedSubjects,
  replicates,
  lostPartners,
  withoutGroup,
  nearNames,
  sameNames,
  mixedUnitsOf,
  scaleSlips,
  beyondLimits,
  unknownSpread,
];

const known = new WeakMap<Table, TableDoubt[]>();

/** What of a table is open to doubt and nobody has settled yet, the weightiest first. */
export function openDoubts(table: Table): TableDoubt[] {
  const before = known.get(table);
  if (before) return before;
  const found = each
    .flatMap((find) => find(table))
    .sort((a, b) => doubtCodes.indexOf(a.code) - doubtCodes.indexOf(b.code));
  known.set(table, found);
  return found;
}
