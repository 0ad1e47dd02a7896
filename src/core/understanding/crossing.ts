/** Names that cross: subjects each of which stands beside each level of a factor, once or more. */
import { cellAt } from '../readings/cell-at';
import { placesOf, placesTogether } from '../readings/places';
import { areFew } from './lost-names';
import type { Incoming } from './seen';
import { valueOf } from './sums';
import { groupName, isTimeName, looksLikeId, numbersStay, spoken, subjectName } from './vocabulary';

/** Levels of a factor there are at most. */
const mostLevels = 12;

/** Of all combinations of names and levels, those that must be there. */
const nearlyAll = 0.8;

/** The levels that stand beside each of another column's names once, or nearly all of them; undefined where they do not cross. */
export function crossing(who: Incoming, under: Incoming): string[] | undefined {
  const [subjects, levels] = [placesOf(who.cells).names, placesOf(under.cells).names];
  if (subjects.length < 2 || levels.length < 2 || levels.length > mostLevels) return undefined;
  const rows = who.cells.length;
  return isNearlyFilled(under) &&
    placesTogether([who.cells, under.cells], rows).names.length === rows &&
    rows >= nearlyAll * subjects.length * levels.length
    ? levels
    : undefined;
}

const isNearlyFilled = ({ cells }: Pick<Incoming, 'cells'>): boolean =>
  areFew(cells.filter((cell) => cell.trim() === '').length, cells.length);

const isNumber = (cell: string): boolean => valueOf(cell) !== undefined;

/** Whether a column says who was read: numbers do so where they stay the same throughout. */
function saysWho({ name, cells }: Incoming): boolean {
  const called = spoken(name);
  const isCalled = isNumber(cellAt(cells, 0))
    ? numbersStay(called)
    : !isTimeName(called) &&
      (subjectName.test(called) ||
        (!groupName.test(called) &&
          looksLikeId(cellAt(cells, 0)) &&
          cells.every((cell) => cell.trim() === '' || looksLikeId(cell))));
  // Who stands in every row, or nearly, and in some again.
  return isCalled && isNearlyFilled({ cells }) && placesOf(cells).names.length < cells.length;
}

/** Whether a column may name levels: numbers do so where they are called as levels or times are. */
const mayBeFactor = ({ name, cells }: Incoming): boolean =>
  isTimeName(name) || groupName.test(spoken(name)) || !isNumber(cellAt(cells, 0));

/** Each column that says who was read with each whose levels its subjects stand under, a row for each; and the first of those. */
export const subjectsUnder = (columns: readonly Incoming[]): { who: Incoming; under: Incoming; level: string }[] =>
  columns.filter(saysWho).flatMap((who) =>
    columns.flatMap((under) => {
      const [level] = under !== who && mayBeFactor(under) ? (crossing(who, under) ?? []) : [];
      return level === undefined ? [] : [{ who, under, level }];
    }),
  );
