import { DomainError, type Outcome, attempt, demand } from '../numeric/domain-error';
import { type Description, describe, meanInterval } from '../procedures/describe';
import type { Interval } from '../procedures/interval';
import { pairedT } from '../procedures/paired-t';
import { pooledT } from '../procedures/pooled-t';
import { meanDifference, summarize } from '../procedures/sample-summary';
import { noncentralityInterval, standardizedDifference } from '../procedures/standardized-difference';
import type { TTest } from '../procedures/t-test';
import { welchT } from '../procedures/welch-t';
import type { Question } from '../question/question';
import {
  type Group,
  type SubjectPair,
  type Repeats,
  chosenColumns,
  columnsAreGroups,
  groupsOf,
  pairsOf,
  repeatsOf,
} from '../readings/groups';
import { type Table, columnsOf } from '../readings/table';

/** One group as the answer sees it. */
export interface GroupPart extends Group {
  /** Undefined when no reading can be used. */
  description?: Description;
  /** Interval of the mean at the question's level; undefined below two readings. */
  interval?: Interval;
}

/** A difference in standard deviations, with its interval. */
export interface StandardizedEffect {
  /** `g` in pooled SDs, bias removed; `dz` in SDs of the differences within pairs. */
  kind: 'g' | 'dz';
  value: number;
  interval: Interval;
}

/** The comparison itself, in the readings' units. */
export interface Comparison {
  /** The first group's mean minus the second's, its interval and test. */
  test: TTest;
  /** p for the direction asked. */
  p: number;
  size: Outcome<StandardizedEffect>;
  /** How readings were paired, in a paired question. */
  pairing?: { pairs: SubjectPair[]; alone: string[]; bySubject: boolean };
}

/** All that follows from a question and its readings. */
export interface Answer {
  question: Question;
  measure: string;
  unit: string;
  subject: string;
  groups: [GroupPart, GroupPart];
  comparison: Outcome<Comparison>;
  /** How often subjects come back; undefined when no column names them. */
  repeats: Repeats | undefined;
  /** Whether readings of one subject were averaged before comparing. */
  averaged: boolean;
  /** The label or subject of each row, where a column gives one. */
  rowNames: readonly string[] | undefined;
}

function groupPart(groups: readonly Group[], id: string, level: number): GroupPart {
  const group = groups.find((g) => g.id === id);
  if (!group) throw new DomainError('One of the groups compared is no longer in the readings: choose another.');
  const values = group.readings.used.map((r) => r.value);
  const description = attempt(() => describe(values));
  if (!description.ok) return group;
  const interval = attempt(() => meanInterval(description.value, level));
  return { ...group, description: description.value, ...(interval.ok ? { interval: interval.value } : {}) };
}

function demandComparable(question: Question, a: GroupPart, b: GroupPart): void {
  demand(question.a !== question.b, 'A group cannot be compared with itself: choose two different groups.');
  demand(
    a.unit === b.unit,
    `${a.name} is in ${a.unit || 'no unit'} and ${b.name} in ${b.unit || 'no unit'}: give both the same unit in the readings, converting the numbers if they were measured differently.`,
  );
}

function comparePaired(question: Question, table: Table, a: GroupPart, b: GroupPart): Comparison {
  const pairing = pairsOf(table, a, b);
  const { pairs } = pairing;
  demand(
    pairs.length > 0,
    pairing.bySubject
      ? `No ${table.subject || 'subject'} has a reading in both ${a.name} and ${b.name}: nothing can be paired. Check that they are named alike in both.`
      : `No row has a reading of both ${a.name} and ${b.name}: pairs stand side by side in a row, or share a name in a subject column.`,
  );
  demand(pairs.length > 1, 'There is one pair: one alone shows no spread, at least two are needed.');
  const test = pairedT(
    pairs.map((p) => p.a.value),
    pairs.map((p) => p.b.value),
    question.level,
  );
  return {
    test,
    p: test.p[question.direction],
    size: attempt(() => {
      const { low, high } = noncentralityInterval(test.t, test.df, question.level);
      const root = Math.sqrt(pairs.length);
      return { kind: 'dz', value: test.cohenDz, interval: { low: low / root, high: high / root } };
    }),
    pairing,
  };
}

function compare(question: Question, a: GroupPart, b: GroupPart): Comparison {
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
    size: attempt(() => {
      const { hedgesG, interval } = standardizedDifference(first, second, question.level);
      return { kind: 'g', value: hedgesG, interval };
    }),
  };
}

/** Answers a question from its readings: a pure function, so an answer can never be older than either. */
export function answer(question: Question, table: Table): Outcome<Answer> {
  return attempt(() => {
    const choice = { measure: question.measure, by: question.by };
    const groups = groupsOf(table, choice);
    const a = groupPart(groups, question.a, question.level);
    const b = groupPart(groups, question.b, question.level);
    const own = columnsAreGroups(table) ? undefined : chosenColumns(table, choice).measure?.name;
    const repeats = repeatsOf(table, choice);
    return {
      question,
      measure: own ?? table.measure,
      unit: a.unit,
      subject: table.subject,
      groups: [a, b] as [GroupPart, GroupPart],
      comparison: attempt(() => {
        demandComparable(question, a, b);
        return question.design === 'paired' ? comparePaired(question, table, a, b) : compare(question, a, b);
      }),
      repeats,
      rowNames: (columnsOf(table, 'label')[0] ?? columnsOf(table, 'subject')[0])?.cells,
      averaged: table.average && repeats !== undefined && repeats.subjects < repeats.readings,
    };
  });
}
