/** Numbers of subjects that come under several groups: the same subjects throughout, or others in each. */
import { textAt } from '../../readings/cell-at';
import { levelsOf } from '../../readings/levels';
import { type Places, placesOf, placesTogether, standing } from '../../readings/places';
import { type Column, type Table, called, columnsOf } from '../../readings/table';
import type { TableEdit } from '../../readings/table-edit';
import { isCrossedWithBoth, throughout } from '../crossed-with-both';
import { subjectNoun } from '../subject-noun';
import { areTurns, bareNumber, isTimeName, numbersStay } from '../vocabulary';
import { type Mend, type TableDoubt, asItIs, isSettled, some } from './doubt';

/** Whether the rows of each name stand together, as those of one subject do. */
const standTogether = ({ of, names }: Places): boolean =>
  of.reduce((runs, place, row) => (place === of[row - 1] ? runs : runs + 1), 0) === names.length;

/** The columns under several of whose groups the same numbers come; none where the numbers are surely the same subjects. */
function homesOf(table: Table): Column[] {
  const [subject] = columnsOf(table, 'subject');
  const groups = columnsOf(table, 'group');
  if (table.shape !== 'rows' || !subject || groups.length > 2 || isSettled(table, 'no-subject-column')) return [];
  const { names } = placesOf(subject.cells);
  if (numbersStay(subject.name) || names.length < 2 || !names.every((name) => bareNumber.test(name))) return [];
  const isTime = (c: Column): boolean => isTimeName(c.name) || areTurns(levelsOf(c).map(({ name }) => name));
  return groups.filter((c) => !isTime(c) && standing(subject.cells, c.cells).several > names.length / 2);
}

/** Whether such numbers are taken as others in each combination of two factors, each read once. */
export function areOthersInEach(table: Table, homes = homesOf(table)): boolean {
  const [a, b] = homes;
  const [subject] = columnsOf(table, 'subject');
  if (!a || !b || !subject) return false;
  const all = [subject, a, b].map((c) => c.cells);
  const once = placesTogether(all, table.rowCount).names.length === table.rowCount;
  return once && !isCrossedWithBoth(table, { by: a.id, by2: b.id });
}

/** Numbers that begin anew within groups, as they would of others. */
export function numberedAnew(table: Table): TableDoubt[] {
  const homes = homesOf(table);
  const [subject] = columnsOf(table, 'subject');
  if (!subject || homes.length === 0) return [];
  const places = placesOf(subject.cells);
  const { names } = places;
  const by = homes.map((c) => called(c, 'group')).join(' and ');
  const name = called(subject, 'subject');
  const noun = subjectNoun(subject.name) || 'subject';
  const others = areOthersInEach(table, homes);
  if (!others && standTogether(places)) return [];
  /** Each number with the groups it is of, so that it is another in each; written only when it is asked for. */
  const ownOf = (of: readonly Column[]): Mend => ({
    label: `Each ${of.map((c) => called(c, 'group')).join(' and ')} has its own`,
    get edits(): TableEdit[] {
      return [
        {
          kind: 'write',
          row: 0,
          columns: [subject.id],
          texts: Array.from({ length: table.rowCount }, (_, row) => [
            textAt(subject.cells, row) && [...of, subject].map((c) => textAt(c.cells, row)).join(' '),
          ]),
        },
      ];
    },
  });
  return [
    {
      code: 'no-subject-column',
      text: `The same numbers of “${name}” (${some(names)}) come under each ${by}. ${others ? `They are taken as another ${noun} each time, compared with none of the others.` : `Each is taken as one ${noun} throughout, compared with itself; if each ${by} has its own, they are others.`}`,
      where: [],
      mends: [
        ownOf(homes),
        ...(homes.length > 1 ? homes.map((c) => ownOf([c])) : []),
        asItIs(table, 'no-subject-column', `The same ${noun} throughout`, throughout),
      ],
    },
  ];
}
