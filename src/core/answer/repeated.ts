import { DomainError, attempt, demand } from '../numeric/domain-error';
import { moments } from '../numeric/sum';
import { etaSquaredInterval } from '../procedures/effect-size-intervals';
import { friedman } from '../procedures/friedman';
import { friedmanPairs } from '../procedures/friedman-pairs';
import { pairedT } from '../procedures/paired-t';
import { allPairs } from '../procedures/pairwise';
import { repeatedMeasures } from '../procedures/repeated-measures';
import { withinBetween } from '../procedures/within-between';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import { type Factors, factorsOf, subjectOfReading } from '../readings/factors';
import { type Choice, subjectNamed, subjectReadings } from '../readings/groups';
import type { Table } from '../readings/table';
import { unattainable } from './attainable';
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
import { type GroupPart, demandOneUnit, demandReadings } from './group-part';
import { chiSquareReference, fReference } from './references';

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

const gaps = (complete: NonNullable<Comparison['complete']>, subject: string): string[] => {
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
function pairsOfConditions(
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

/** The same subjects under several conditions. */
export function compareRepeated(question: Question, table: Table, conditions: readonly GroupPart[]): Comparison {
  const { method, sphericity } = choicesOf(question);
  const { level } = question;
  demand(
    conditions.length >= 2,
    'Repeated readings need at least two conditions: a column for each, or a column that names them.',
  );
  demandOneUnit(conditions);
  demandReadings(conditions, 'Comparing the same subjects');
  const complete = completeSubjects(table, conditions);
  const { rows } = complete;
  const each = table.subject || 'subject';
  demand(
    rows.length >= 2,
    `Fewer than two ${each}s have a reading under every condition, so there is nothing to compare within them.`,
  );
  const remarks = gaps(complete, table.subject);
  if (method === 'ranks') {
    const found = friedman(rows);
    const exact = found.method === 'exact';
    const { remark, ...least } = unattainable(found.leastP ?? 0, level);
    const effects = friedmanPairs(rows).map((pair) => ({
      ...pairNamed(conditions, pair.a, pair.b),
      estimate: pair.difference,
      statistic: { symbol: 'q' as const, value: pair.q },
      p: pair.p,
    }));
    return {
      p: found.p,
      ...least,
      tests: [{ symbol: 'χ²', value: found.chi2, df: exact ? [] : [found.df], p: found.p }],
      sizes: [{ ok: true, value: { kind: 'kendall', value: found.kendallW } }],
      reference: exact ? [] : [chiSquareReference(found.chi2, found.df)],
      follow: { ok: true, value: [{ effects, simultaneous: true, letters: lettersFor(conditions, effects, level) }] },
      complete,
      remarks: [
        ...remark,
        ...remarks,
        ...(exact ? ['p is exact: every order of the ranks within subjects is counted.'] : []),
        'Pairs are compared by their mean ranks (Nemenyi).',
      ],
    };
  }
  const found = repeatedMeasures(rows);
  const epsilon =
    sphericity === 'assumed'
      ? 1
      : sphericity === 'huynh-feldt'
        ? found.huynhFeldt.epsilon
        : found.greenhouseGeisser.epsilon;
  const p =
    sphericity === 'assumed' ? found.p : sphericity === 'huynh-feldt' ? found.huynhFeldt.p : found.greenhouseGeisser.p;
  const { condition, error } = found;
  const df = [condition.df * epsilon, error.df * epsilon] as const;
  return {
    p,
    tests: [{ symbol: 'F', value: found.f, df, p }],
    table: [
      {
        source: 'conditions',
        kind: 'effect',
        ...condition,
        ms: condition.ss / condition.df,
        f: found.f,
        p: found.p,
        corrected: p,
        partialEta: {
          value: found.partialEtaSquared,
          interval: attempt(() => etaSquaredInterval(found.f, condition.df, error.df, level)),
        },
      },
      {
        source: table.subject ? `${table.subject}s` : 'subjects',
        kind: 'error',
        ...found.subject,
        ms: found.subject.ss / found.subject.df,
      },
      { source: 'residual', kind: 'error', ...error, ms: error.ss / error.df },
      {
        source: 'total',
        kind: 'total',
        ss: condition.ss + found.subject.ss + error.ss,
        df: condition.df + found.subject.df + error.df,
      },
    ],
    sizes: [
      attempt(() => ({
        kind: 'partial-eta',
        value: found.partialEtaSquared,
        interval: etaSquaredInterval(found.f, condition.df, error.df, level),
      })),
    ],
    reference: [fReference(found.f, df[0], df[1])],
    follow: attempt(() => pairsOfConditions(question, conditions, [{ rows }])),
    complete,
    sphericity: found.mauchly && { w: found.mauchly.w, p: found.mauchly.p },
    epsilon: { greenhouseGeisser: found.greenhouseGeisser.epsilon, huynhFeldt: found.huynhFeldt.epsilon },
    remarks,
  };
}

/** What a layout of groups of subjects, each under every condition, comes to. */
export interface MixedLayout {
  factors: Factors;
  /** For each group its complete subjects. */
  groups: { id: string; name: string; subjects: string[]; rows: number[][] }[];
  incomplete: { subject: string; lacks: string[] }[];
}

/** Groups of subjects with their readings in the order of the conditions. @throws DomainError where a subject changes group */
export function mixedLayout(question: Choice & { by2?: string | undefined }, table: Table): MixedLayout {
  const factors = factorsOf(table, question);
  const conditions = new Map(factors.b.levels.map((l, j) => [l.id, j]));
  const bySubject = new Map<string, { group: string; values: (number | undefined)[]; repeated?: number[][] }>();
  for (const r of factors.readings) {
    const subject = subjectOfReading(r);
    let own = bySubject.get(subject);
    if (!own)
      bySubject.set(subject, (own = { group: r.a, values: new Array<undefined>(conditions.size).fill(undefined) }));
    if (own.group !== r.a) {
      const both = [own.group, r.a].map((id) => factors.a.levels.find((l) => l.id === id)?.name ?? id);
      throw new DomainError(
        `${subject} stands in two groups (${both.join(' and ')}): a ${table.subject || 'subject'} belongs to one, and is read under every condition.`,
      );
    }
    const j = conditions.get(r.b) ?? 0;
    const before = own.values[j];
    if (before === undefined) own.values[j] = r.value;
    else {
      // Several readings under one condition stand for it by their mean.
      const all = ((own.repeated ??= [])[j] ??= [before]);
      all.push(r.value);
      own.values[j] = moments(all).mean;
    }
  }
  const groups = factors.a.levels.map(({ id, name }): MixedLayout['groups'][number] => ({
    id,
    name,
    subjects: [],
    rows: [],
  }));
  const groupOf = new Map(groups.map((g) => [g.id, g]));
  const incomplete: MixedLayout['incomplete'] = [];
  for (const [subject, { group, values }] of bySubject) {
    const rows = values.filter((v) => v !== undefined);
    if (rows.length < values.length)
      incomplete.push({
        subject,
        lacks: factors.b.levels.filter((_, j) => values[j] === undefined).map((l) => l.name),
      });
    else {
      groupOf.get(group)?.subjects.push(subject);
      groupOf.get(group)?.rows.push(rows);
    }
  }
  return { factors, groups: groups.filter((g) => g.rows.length > 0), incomplete };
}

/** Groups of subjects, each subject under every condition. */
export function compareMixed(question: Question, table: Table): Comparison {
  const { sphericity } = choicesOf(question);
  const { level } = question;
  const { factors, groups, incomplete } = mixedLayout(question, table);
  const complete = {
    subjects: groups.flatMap((g) => g.subjects),
    rows: groups.flatMap((g) => g.rows),
    groupSizes: groups.map((g) => g.rows.length),
    incomplete,
  };
  const found = withinBetween(groups.map((g) => g.rows));
  const { group, subjects, condition, interaction, error, greenhouseGeisser } = found;
  const epsilon = sphericity === 'assumed' ? 1 : greenhouseGeisser.epsilon;
  const pOf = (plain: number, corrected: number): number => (sphericity === 'assumed' ? plain : corrected);
  const eta = (e: typeof group, df2: number) => ({
    value: e.partialEtaSquared,
    interval: attempt(() => etaSquaredInterval(e.f, e.df, df2, level)),
  });
  const both = `${factors.a.name} × ${factors.b.name}`;
  const conditionP = pOf(condition.p, greenhouseGeisser.conditionP);
  const interactionP = pOf(interaction.p, greenhouseGeisser.interactionP);
  const within = { df2: error.df * epsilon };
  const lines = [
    { of: factors.a.name, e: group, df: [group.df, subjects.df], p: group.p },
    { of: factors.b.name, e: condition, df: [condition.df * epsilon, within.df2], p: conditionP },
    { of: both, e: interaction, df: [interaction.df * epsilon, within.df2], p: interactionP },
  ];
  return {
    p: interactionP,
    tests: lines.map(({ of, e, df, p }) => ({ of, symbol: 'F', value: e.f, df, p })),
    table: [
      {
        source: factors.a.name,
        kind: 'effect',
        ...group,
        ms: group.ss / group.df,
        partialEta: eta(group, subjects.df),
      },
      {
        source: `${table.subject || 'subject'}s within groups`,
        kind: 'error',
        ...subjects,
        ms: subjects.ss / subjects.df,
      },
      {
        source: factors.b.name,
        kind: 'effect',
        ...condition,
        ms: condition.ss / condition.df,
        corrected: conditionP,
        partialEta: eta(condition, error.df),
      },
      {
        source: both,
        kind: 'effect',
        ...interaction,
        ms: interaction.ss / interaction.df,
        corrected: interactionP,
        partialEta: eta(interaction, error.df),
      },
      { source: 'residual', kind: 'error', ...error, ms: error.ss / error.df },
      {
        source: 'total',
        kind: 'total',
        ss: group.ss + subjects.ss + condition.ss + interaction.ss + error.ss,
        df: group.df + subjects.df + condition.df + interaction.df + error.df,
      },
    ],
    sizes: lines.map(({ of, e }, i) =>
      attempt(() => ({
        kind: 'partial-eta',
        of,
        value: e.partialEtaSquared,
        interval: etaSquaredInterval(e.f, e.df, i === 0 ? subjects.df : error.df, level),
      })),
    ),
    reference: lines.map(({ of, e, df }) => ({
      distribution: 'f',
      parameters: { df1: df[0] ?? 1, df2: df[1] ?? 1 },
      symbol: 'F',
      statistic: e.f,
      direction: 'greater',
      of,
    })),
    follow: attempt(() => pairsOfConditions(question, factors.b.levels, groups)),
    complete,
    epsilon: { greenhouseGeisser: greenhouseGeisser.epsilon },
    remarks: gaps(complete, table.subject),
  };
}
