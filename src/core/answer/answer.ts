import { DomainError, type Outcome, attempt, demand } from '../numeric/domain-error';
import { type Description, describe, meanInterval } from '../procedures/describe';
import type { Interval } from '../procedures/interval';
import { pooledT } from '../procedures/pooled-t';
import { meanDifference, summarize } from '../procedures/sample-summary';
import { type StandardizedDifference, standardizedDifference } from '../procedures/standardized-difference';
import type { TTest } from '../procedures/t-test';
import { welchT } from '../procedures/welch-t';
import type { Question } from '../question/question';
import { type ColumnReadings, readColumn } from '../readings/read-column';
import { type Table, findColumn } from '../readings/table';

/** One group as the answer sees it. */
export interface GroupPart {
  column: string;
  /** As given, or "group 2" where it has none. */
  name: string;
  unit: string;
  /** Where the group stands among the table's columns: gives its colour and marker shape. */
  position: number;
  readings: ColumnReadings;
  /** Undefined when no reading can be used. */
  description?: Description;
  /** Interval of the mean at the question's level; undefined below two readings. */
  interval?: Interval;
}

/** The comparison itself, in the readings' units. */
export interface Comparison {
  /** The first group's mean minus the second's, its interval and test. */
  test: TTest;
  /** p for the direction asked. */
  p: number;
  size: Outcome<StandardizedDifference>;
}

/** All that follows from a question and its readings. */
export interface Answer {
  question: Question;
  measure: string;
  unit: string;
  subject: string;
  groups: [GroupPart, GroupPart];
  comparison: Outcome<Comparison>;
}

function groupPart(table: Table, id: string, level: number): GroupPart {
  const column = findColumn(table, id);
  if (!column) throw new DomainError('One of the groups compared is no longer in the readings: choose another.');
  const readings = readColumn(column);
  const values = readings.used.map((r) => r.value);
  const position = table.columns.indexOf(column);
  const part: GroupPart = {
    column: id,
    name: column.name || `group ${position + 1}`,
    unit: column.unit,
    position,
    readings,
  };
  const description = attempt(() => describe(values));
  if (!description.ok) return part;
  const interval = attempt(() => meanInterval(description.value, level));
  return { ...part, description: description.value, ...(interval.ok ? { interval: interval.value } : {}) };
}

function compare(question: Question, a: GroupPart, b: GroupPart): Comparison {
  demand(question.a !== question.b, 'A group cannot be compared with itself: choose two different groups.');
  demand(
    a.unit === b.unit,
    `${a.name} is in ${a.unit || 'no unit'} and ${b.name} in ${b.unit || 'no unit'}: give both the same unit in the readings, converting the numbers if they were measured differently.`,
  );
  for (const group of [a, b]) {
    const n = group.readings.used.length;
    demand(n > 0, `${group.name} has no readings that can be used: at least two are needed.`);
    demand(n > 1, `${group.name} has one reading: one alone shows no spread, at least two are needed.`);
  }
  const [first, second] = [a, b].map((g) => summarize(g.readings.used.map((r) => r.value)));
  if (!first || !second) throw new DomainError('Two groups are needed.');
  const run = question.spread === 'separate' ? welchT : pooledT;
  const apart = Number(Math.abs(meanDifference(first, second)).toPrecision(6));
  demand(
    first.variance + second.variance > 0,
    `All readings of ${a.name} are the same, and all of ${b.name} too. The means are ${apart} apart, but with no spread there is nothing to judge a difference by.`,
  );
  const test = run(first, second, question.level);
  return {
    test,
    p: test.p[question.direction],
    size: attempt(() => standardizedDifference(first, second, question.level)),
  };
}

/** Answers a question from its readings: a pure function, so an answer can never be older than either. */
export function answer(question: Question, table: Table): Outcome<Answer> {
  return attempt(() => {
    const a = groupPart(table, question.a, question.level);
    const b = groupPart(table, question.b, question.level);
    return {
      question,
      measure: table.measure,
      unit: a.unit,
      subject: table.subject,
      groups: [a, b] as [GroupPart, GroupPart],
      comparison: attempt(() => compare(question, a, b)),
    };
  });
}
