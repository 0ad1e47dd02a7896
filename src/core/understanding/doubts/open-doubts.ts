import type { Table } from '../../readings/table';
import { summedRows, totalColumn } from './beside-readings';
import { cutShort } from './cut-short';
import { type DoubtCode, type Mend, type TableDoubt, doubtCodes } from './doubt';
import { calendar, runningNumber } from './labels';
import {
  ambiguousLayout,
  answersOfGroups,
  mirroredTable,
  namesAlone,
  sharesWithoutTotal,
  unknownSpread,
  whichCategories,
  whichCategory,
  whichFigures,
  whichShares,
  whichOutcome,
  wellsOfPlate,
} from './layout';
import { namesInFirstRow, nearNames, oddNames, sameNames } from './names';
import { numberedAnew } from './numbered-anew';
import { beyondLimits, missingCodes, scaleSlips } from './readings';
import { rangesAsReadings } from './ranges';
import { lostPartners, replicates, unnamedSubjects, withoutGroup, withoutSubject } from './rows';
import { cellsBeyond } from './cells-beyond';
import { mixedUnitsOf } from './units';

const each = [
  ambiguousLayout,
  answersOfGroups,
  wellsOfPlate,
  mirroredTable,
  namesAlone,
  namesInFirstRow,
  summedRows,
  totalColumn,
  cellsBeyond,
  calendar,
  runningNumber,
  whichOutcome,
  whichFigures,
  whichShares,
  whichCategories,
  whichCategory,
  unnamedSubjects,
  numberedAnew,
  replicates,
  lostPartners,
  withoutGroup,
  withoutSubject,
  oddNames,
  nearNames,
  sameNames,
  mixedUnitsOf,
  missingCodes,
  rangesAsReadings,
  scaleSlips,
  beyondLimits,
  cutShort,
  unknownSpread,
  sharesWithoutTotal,
];

/** A finder that remembers what it found of a table. */
function remembering(find: (table: Table) => TableDoubt[]): (table: Table) => TableDoubt[] {
  const known = new WeakMap<Table, TableDoubt[]>();
  return (table) => {
    const found = known.get(table) ?? find(table);
    known.set(table, found);
    return found;
  };
}

/** What looks for each kind of doubt; of a large table one after the other, with the hand having its turn between them. */
export const doubtFinders = each.map(remembering);

/** What of a table is unclear and nobody has settled yet, the weightiest first. */
export const openDoubts = (table: Table): TableDoubt[] =>
  doubtFinders.flatMap((find) => find(table)).sort((a, b) => doubtCodes.indexOf(a.code) - doubtCodes.indexOf(b.code));

/** The mends of a doubt in a table. */
export const mendsFor =
  (code: DoubtCode) =>
  (table: Table): Mend[] =>
    openDoubts(table).flatMap((d) => (d.code === code ? d.mends : []));
