/** Rows that lack a group, a partner or a name. */
import { there } from '../../numeric/there';
import { counted } from '../../readings/counted';
import { repeatsOf } from '../../readings/repeats';
import { levelRows } from '../../readings/levels';
import { readColumn } from '../../readings/read-column';
import { placesOf, placesTogether, standing } from '../../readings/places';
import { type Column, type Table, called, columnsOf } from '../../readings/table';
import { isCrossedWithBoth } from '../crossed-with-both';
import { likeliestCategory, likeliestOutcome } from '../likeliest';
import { isBlock } from '../vocabulary';
import { subjectNoun } from '../subject-noun';
import { areOthersInEach } from './numbered-anew';
import { type TableDoubt, asItIs, isSettled, some } from './doubt';
import { tally } from '../../numeric/tally';

/** Readings whose group is empty. */
export function withoutGroup(table: Table): TableDoubt[] {
  if (table.shape !== 'rows' || isSettled(table, 'no-group')) return [];
  const [by, measure] = [likeliestCategory(table), likeliestOutcome(table)];
  if (!by || !measure || by.formula) return [];
  const rows = levelRows(by);
  const lost = readColumn(measure).used.filter((r) => (rows[r.row] ?? -1) < 0);
  if (lost.length === 0) return [];
  return [
    {
      code: 'no-group',
      text: `${counted(lost.length, 'reading')} without a ${called(by, 'group')} ${lost.length === 1 ? 'is' : 'are'} left out (row ${some(lost.map((r) => String(r.row + 1)))}).`,
      where: lost.slice(0, 20).map((r) => ({ column: by.id, row: r.row, called: `row ${r.row + 1}` })),
      mends: [asItIs(table, 'no-group', lost.length === 1 ? 'Leave it out' : 'Leave them out')],
    },
  ];
}

/** Readings of no subject where the others name theirs: each counts as one of its own. */
export function withoutSubject(table: Table): TableDoubt[] {
  if (table.shape !== 'rows' || isSettled(table, 'no-subject')) return [];
  const [subject] = columnsOf(table, 'subject');
  const measure = likeliestOutcome(table);
  if (!subject || !measure || subject.formula) return [];
  const of = levelRows(subject);
  const { used } = readColumn(measure);
  const lost = used.filter((r) => (of[r.row] ?? -1) < 0);
  if (lost.length === 0 || 2 * lost.length > used.length) return [];
  const name = table.subject || subjectNoun(subject.name) || 'subject';
  const one = lost.length === 1;
  return [
    {
      code: 'no-subject',
      text: `${counted(lost.length, 'reading')} ${one ? 'names' : 'name'} no ${name} (row ${some(lost.map((r) => String(r.row + 1)))}): ${one ? 'it counts' : 'each counts'} as one of its own.`,
      where: lost.slice(0, 20).map((r) => ({ column: subject.id, row: r.row, called: `row ${r.row + 1}` })),
      mends: [
        {
          label: one ? 'Leave it out' : 'Leave them out',
          edits: [
            {
              kind: 'set-aside',
              cells: lost.map((r) => ({ column: measure.id, row: r.row, reason: `names no ${name}` })),
            },
          ],
        },
        asItIs(table, 'no-subject', one ? 'It is one of its own' : 'Each is one of its own'),
      ],
    },
  ];
}

/** Subjects with a reading missing. */
export function lostPartners(table: Table): TableDoubt[] {
  if (table.shape !== 'repeated' || isSettled(table, 'lost-partners')) return [];
  const measures = columnsOf(table, 'measure').filter((c) => readColumn(c).used.length > 0);
  if (measures.length < 2) return [];
  const held = new Map<number, number>();
  for (const c of measures) for (const { row } of readColumn(c).used) tally(held, row);
  const lost = [...held]
    .filter(([, n]) => n < measures.length)
    .map(([row]) => row)
    .sort((a, b) => a - b);
  if (lost.length === 0) return [];
  const [subject] = columnsOf(table, 'subject');
  const name = (row: number): string => subject?.cells[row]?.trim() ?? `row ${row + 1}`;
  const missing = (row: number): string | undefined =>
    measures.find((c) => !readColumn(c).used.some((r) => r.row === row))?.id;
  return [
    {
      code: 'lost-partners',
      text: `${some(lost.map(name))} ${lost.length === 1 ? 'lacks a reading' : 'lack a reading'} and ${lost.length === 1 ? 'is' : 'are'} ${measures.length === 2 ? 'left out of what is compared within pairs' : 'compared by the readings there are'}: ${held.size - lost.length} of ${held.size} are complete.`,
      where: lost.slice(0, 20).map((row) => ({ column: there(missing(row), 'column'), row, called: name(row) })),
      mends: [
        asItIs(
          table,
          'lost-partners',
          measures.length > 2 ? 'Leave it so' : lost.length === 1 ? 'Leave it out' : 'Leave them out',
        ),
      ],
    },
  ];
}

/** Whether each subject, of one group by one factor, was read once under every level of the others, so that it is compared with itself. */
function isOncePerCondition(table: Table, subject: Column): boolean {
  const groups = columnsOf(table, 'group');
  const holds = (c: Column): boolean => standing(subject.cells, c.cells).several === 0;
  const [a, b, more] = groups;
  const both = a && b && !more && isCrossedWithBoth(table, { by: a.id, by2: b.id });
  // Within blocks more than one factor may be compared.
  // Under the levels of one factor or two a subject is compared with itself; of more there is no such question.
  const within = groups.filter((c) => !holds(c)).length;
  if (groups.length < 2 || !(both || isBlock(subject.name) || (within < groups.length && within < 3))) return false;
  const all = [subject, ...groups].map((c) => c.cells);
  return placesTogether(all, table.rowCount).names.length === table.rowCount;
}

/** Several rows of one subject, where each row is counted. */
function answersAgain(table: Table): TableDoubt[] {
  const [subject] = columnsOf(table, 'subject');
  const { of, names } = placesOf(subject?.cells ?? []);
  const subjects = names.length;
  const rows = of.filter((place) => place >= 0).length;
  if (!subject || subjects === rows || isSettled(table, 'replicates')) return [];
  const name = table.subject || subjectNoun(subject.name) || 'subject';
  return [
    {
      code: 'replicates',
      text: `${rows} rows come from ${counted(subjects, name)}. What one ${name} was found to be in several rows is not independent: counted one by one, they make a difference look surer than it is.`,
      where: [],
      mends: [asItIs(table, 'replicates', 'Count each row')],
    },
  ];
}

/** Several readings of one subject in a group. */
export function replicates(table: Table): TableDoubt[] {
  if (table.shape === 'categories') return answersAgain(table);
  if (table.shape !== 'rows' || table.average || isSettled(table, 'replicates')) return [];
  const [measure, by] = [likeliestOutcome(table), likeliestCategory(table)];
  const [subject] = columnsOf(table, 'subject');
  const repeats = by && subject && repeatsOf(table, { measure: measure?.id, by: by.id });
  if (!repeats || repeats.subjects >= repeats.readings || isOncePerCondition(table, subject) || areOthersInEach(table))
    return [];
  const name = table.subject || subjectNoun(subject.name) || 'subject';
  return [
    {
      code: 'replicates',
      text: `${repeats.readings} readings come from ${counted(repeats.distinct, name)}. Readings of one ${name} are not independent: counted one by one, they make a difference look surer than it is.`,
      where: [],
      mends: [
        { label: `Average within each ${name}`, edits: [{ kind: 'describe-table', average: true }] },
        asItIs(table, 'replicates', 'Count each reading'),
      ],
    },
  ];
}

/** Rows that look like subjects, read more than once, and nothing that names them. */
export function unnamedSubjects(table: Table): TableDoubt[] {
  if (table.shape !== 'repeated' || isSettled(table, 'no-subject-column') || columnsOf(table, 'subject').length > 0)
    return [];
  const measures = columnsOf(table, 'measure');
  if (measures.length < 2) return [];
  return [
    {
      code: 'no-subject-column',
      text: `Each row is taken as one subject, read as ${some(measures.map((c) => c.name || 'unnamed'))}; no column names the subjects.`,
      where: [],
      mends: [
        asItIs(table, 'no-subject-column', 'Each row is one subject'),
        {
          label: 'The columns are unconnected',
          edits: [{ kind: 'describe-table', shape: columnsOf(table, 'group').length > 0 ? 'grid' : 'columns' }],
        },
      ],
    },
  ];
}
