import { nth } from '../numeric/nth';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import { there } from '../numeric/there';
import { pairedT } from '../procedures/paired-t';
import type { Direction } from '../procedures/direction';
import { oneSampleT } from '../procedures/one-sample-t';
import { summarize } from '../procedures/sample-summary';
import type { TTest } from '../procedures/t-test';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import { subjectNamed, subjectReadings } from '../readings/groups';
import type { Table } from '../readings/table';
import type { Comparison, FollowUpPart } from './comparison';
import {
  type Named,
  type Raw,
  type RawPart,
  eachByItself,
  isAdjustment,
  comparisonsAsked,
  judgedByP,
  lettersFor,
} from './follow-up';
import { type GroupPart } from './group-part';

/** Subjects with a reading under every condition, and what the others lack. */
export function completeSubjects(table: Table, conditions: readonly GroupPart[]): NonNullable<Comparison['complete']> {
  const by = conditions.map((g) => subjectReadings(table, g));
  const all = new Set<string | number>();
  for (const readings of by) for (const key of readings.keys()) all.add(key);
  const out: NonNullable<Comparison['complete']> = { subjects: [], rows: [], incomplete: [] };
  for (const key of all) {
    const subject = subjectNamed(key);
    const row: number[] = [];
    for (const readings of by) {
      const reading = readings.get(key);
      if (reading) row.push(reading.value);
    }
    if (row.length < by.length)
      out.incomplete.push({ subject, lacks: conditions.filter((_, i) => !by[i]?.has(key)).map((g) => g.name) });
    else {
      out.subjects.push(subject);
      out.rows.push(row);
    }
  }
  return out;
}

/** Every subject with its reading under each condition, as far as there is one. */
export function everySubject(
  table: Table,
  conditions: readonly GroupPart[],
): { subjects: string[]; rows: (number | undefined)[][] } {
  const by = conditions.map((g) => subjectReadings(table, g));
  const keys = [...new Set(by.flatMap((readings) => [...readings.keys()]))];
  return {
    subjects: keys.map(subjectNamed),
    rows: keys.map((key) => by.map((readings) => readings.get(key)?.value)),
  };
}

/** Which subjects were left out, and why. */
export const gaps = (complete: NonNullable<Comparison['complete']>, subject: string): string[] => {
  const { incomplete } = complete;
  if (incomplete.length === 0) return [];
  const listed = incomplete.slice(0, 5).map((x) => `${x.subject} (no ${x.lacks.join(', ')})`);
  return [
    `Left out, because a reading is missing: ${listed.join('; ')}${incomplete.length > 5 ? ` and ${incomplete.length - 5} more` : ''}. Every ${subject || 'subject'} must have been read under every condition.`,
  ];
};

/** A weighted sum of each subject's readings, tested against 0: of a pair the difference, as it was typed. */
export function withinTest(rows: readonly (readonly number[])[], weights: readonly number[], level: number): TTest {
  const at = (sign: 1 | -1): number => weights.indexOf(sign);
  const column = (j: number): number[] => rows.map((r) => there(r[j], 'A reading'));
  if (weights.filter((w) => w !== 0).length === 2 && at(1) >= 0 && at(-1) >= 0)
    return pairedT(column(at(1)), column(at(-1)), level);
  return oneSampleT(summarize(rows.map((r) => sum(r.map((y, j) => nth(weights, j) * y)))), 0, level);
}

/**
 * The comparisons of conditions asked for, each by the subjects' own differences with a spread of its own, so that
 * sphericity is not needed; of each group of subjects where there are some, all as one family.
 */
export function pairsOfConditions(
  question: Question,
  conditions: readonly Named[],
  groups: readonly { name?: string; rows: readonly (readonly number[])[] }[],
): FollowUpPart[] {
  const { compare } = choicesOf(question);
  const direction = compare === 'control' ? question.direction : 'either';
  return conditionsJudged(
    question,
    conditions,
    groups.map(({ name, rows }) => ({
      ...(name === undefined ? {} : { within: name }),
      tested: (weights) => withinTest(rows, weights, question.level),
    })),
    direction,
  );
}

/**
 * Comparisons of conditions judged together.
 * @param parts of each group of subjects, or of all, how a weighted sum of conditions is tested
 */
export function conditionsJudged(
  question: Question,
  conditions: readonly Named[],
  parts: readonly { within?: string; tested: (weights: readonly number[]) => TTest }[],
  direction: Direction,
): FollowUpPart[] {
  const { follow, compare } = choicesOf(question);
  const raw = parts.map(({ within, tested }): RawPart => ({
    ...(within === undefined ? {} : { within }),
    ...eachByItself(
      comparisonsAsked(question, conditions),
      (of) => of.name,
      ({ name, pair, weights }): Raw => {
        const { estimate, se, df, t, p } = tested(weights);
        return { name, ...(pair ? { pair } : {}), estimate, se, df, t, p: p[direction] };
      },
    ),
  }));
  const [first] = raw.flatMap((part) => part.left);
  demand(
    raw.some((part) => part.judged.length > 0),
    first?.why ?? 'There is no comparison to make.',
  );
  return judgedByP(raw, isAdjustment(follow) ? follow : 'holm', question.level, direction).map((part) =>
    part.left || parts.length > 1 || compare !== 'all'
      ? part
      : { ...part, letters: lettersFor(conditions, part.effects, question.level) },
  );
}
