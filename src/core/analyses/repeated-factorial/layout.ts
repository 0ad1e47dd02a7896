import { demand } from '../../numeric/domain-error';
import { moments } from '../../numeric/sum';
import type { Question } from '../../question/question';
import { type Factors, byCell, factorsOf, subjectOfReading } from '../../readings/factors';
import { type Table, columnsOf } from '../../readings/table';

/** More combinations than this nobody reads, and a mixed model of them takes minutes. */
const mostCells = 100;

/** Subjects with their reading in each cell of two factors, level after level of the first, as far as there is one. */
export interface CrossedLayout {
  factors: Factors;
  everyone: { subject: string; row: (number | undefined)[] }[];
  complete: { subjects: string[]; rows: number[][]; incomplete: { subject: string; lacks: string[] }[] };
  /** Whether several readings of a subject in one cell stand in by their mean. */
  averaged: boolean;
}

/** @throws DomainError where no column names the subjects, or a factor has one level alone */
export function crossedLayout(question: Question, table: Table): CrossedLayout {
  demand(
    columnsOf(table, 'subject').length > 0,
    'No column names the subjects: give the one that does the role of the subject.',
  );
  const factors = factorsOf(table, question);
  for (const { name, levels } of [factors.a, factors.b])
    demand(levels.length > 1, `${name} has one level with readings: a factor needs two.`);
  const count = factors.a.levels.length * factors.b.levels.length;
  demand(
    count <= mostCells,
    `${factors.a.name} and ${factors.b.name} have ${count} combinations, more than can be judged within subjects: leave out levels, or make bands of them.`,
  );
  const bySubject = new Map<string, { row: (number | undefined)[]; again?: Map<number, number[]> }>();
  const cells = factors.a.levels.flatMap((a) => factors.b.levels.map((b) => `${a.name} ${b.name}`));
  byCell(factors)
    .flat()
    .forEach((readings, cell) => {
      for (const reading of readings) {
        const subject = subjectOfReading(reading);
        let own = bySubject.get(subject);
        if (!own) bySubject.set(subject, (own = { row: new Array<undefined>(cells.length).fill(undefined) }));
        const before = own.row[cell];
        if (before === undefined) own.row[cell] = reading.value;
        else {
          // Several readings in one cell stand in by their mean.
          own.again ??= new Map<number, number[]>();
          const all = own.again.get(cell) ?? [before];
          all.push(reading.value);
          own.again.set(cell, all);
          own.row[cell] = moments(all).mean;
        }
      }
    });
  const everyone = [...bySubject].map(([subject, { row }]) => ({ subject, row }));
  const complete: CrossedLayout['complete'] = { subjects: [], rows: [], incomplete: [] };
  for (const { subject, row } of everyone) {
    const read = row.filter((v) => v !== undefined);
    if (read.length === cells.length) {
      complete.subjects.push(subject);
      complete.rows.push(read);
    } else complete.incomplete.push({ subject, lacks: cells.filter((_, i) => row[i] === undefined) });
  }
  const averaged = [...bySubject.values()].some((own) => own.again !== undefined);
  return { factors, everyone, complete, averaged };
}
