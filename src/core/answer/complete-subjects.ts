import { demand } from '../numeric/domain-error';
import { pairedT } from '../procedures/paired-t';
import { allPairs } from '../procedures/pairwise';
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
  judgedByP,
  lettersFor,
  pairNamed,
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

/**
 * All pairs of conditions by paired t-tests, each with its own spread, so that sphericity is not needed; of each group
 * of subjects where there are some, all as one family.
 */
export function pairsOfConditions(
  question: Question,
  conditions: readonly Named[],
  groups: readonly { name?: string; rows: readonly (readonly number[])[] }[],
): FollowUpPart[] {
  const { follow } = choicesOf(question);
  const parts = groups.map(({ name, rows }): RawPart => ({
    ...(name === undefined ? {} : { within: name }),
    ...eachByItself(
      allPairs(conditions.length),
      ([i, j]) => pairNamed(conditions, i, j).name,
      ([i, j]): Raw => {
        const test = pairedT(
          rows.map((r) => r[i] ?? 0),
          rows.map((r) => r[j] ?? 0),
          question.level,
        );
        const { estimate, se, df, t, p } = test;
        return { ...pairNamed(conditions, i, j), estimate, se, df, t, p: p.either };
      },
    ),
  }));
  const [first] = parts.flatMap((part) => part.left);
  demand(
    parts.some((part) => part.judged.length > 0),
    first?.why ?? 'There is no pair to compare.',
  );
  return judgedByP(parts, isAdjustment(follow) ? follow : 'holm', question.level).map((part) =>
    part.left || groups.length > 1 ? part : { ...part, letters: lettersFor(conditions, part.effects, question.level) },
  );
}
