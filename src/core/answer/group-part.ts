import { decimalsOf } from '../numeric/decimals';
import { DomainError, attempt, demand } from '../numeric/domain-error';
import { type Description, describedWithSummary, meanInterval } from '../procedures/describe';
import { studentT } from '../distributions/t';
import type { Interval } from '../procedures/interval';
import { type SampleSummary, summarize } from '../procedures/sample-summary';
import { type Factors, byCell } from '../readings/factors';
import { sentenceCase } from '../readings/counted';
import { type Group, groupsOf } from '../readings/groups';
import type { Reading } from '../readings/read-column';
import { reportedGroups } from '../readings/reported';
import type { Table } from '../readings/table';
import type { Question } from '../question/question';
import { choicesOf } from '../question/choices';
import { oneSampleZ } from '../procedures/one-sample-z';

/** One group as the answer sees it. */
export interface GroupPart extends Group {
  n: number;
  /** Its marker, where a figure gives it another than that of its colour. */
  marker?: number;
  /** The decimals its readings were given with. */
  decimals: number;
  /** How many readings lie beyond a limit and count as half of it, or as the limit; undefined where none does. */
  limited?: { half: number; at: number };
  /** How many readings are known only to lie below a limit, and the highest such limit; undefined where none is. */
  below?: { count: number; limit: number };
  /** Undefined when no reading can be used, or none was reported. */
  description?: Description;
  /** n, mean and variance: from the readings, or as reported; undefined below two readings. */
  summary?: SampleSummary;
  /** How many of those counted were what is asked about, with the interval of that share. */
  share?: { successes: number; proportion: number; interval: Interval };
  /** Whether only figures of it were reported, no readings. */
  reported?: boolean;
  /** Why there is no summary. */
  lacking?: string;
  /** Interval of the mean at the question's level; undefined below two readings. */
  interval?: Interval;
  /** Where its readings stand within samples: how many samples, by what name, and how many independent readings would tell as much. */
  samples?: { count: number; name: string; effectiveN?: number };
  /** Where it is told by its geometric mean: the factors by which its readings scatter around it, and it errs. */
  geometric?: { sd?: number; se?: number };
  /** Where its mean is adjusted: that of its readings as they are, and of the covariate where there is one. */
  adjusted?: { unadjusted: number; covariate?: number };
  /** Standard error of the mean, where a model gives it. */
  se?: number;
}

const numbers = new WeakMap<Group['readings']['used'], readonly number[]>();

/** A group's readings as plain numbers; remembered for as long as the readings stand. */
export function valuesOf({ readings: { used } }: Pick<Group, 'readings'>): readonly number[] {
  const before = numbers.get(used);
  if (before) return before;
  const made = used.map((r) => r.value);
  numbers.set(used, made);
  return made;
}

type Figures = Pick<GroupPart, 'n' | 'decimals' | 'limited' | 'below' | 'description' | 'summary' | 'lacking'>;
const known = new WeakMap<Group['readings']['used'], Figures>();

/** The figures of readings that do not depend on the question: found once for as long as the readings stand. */
function figuresOf(group: Group): Figures {
  const { used } = group.readings;
  const before = known.get(used);
  if (before) return before;
  const found = { ...figures(valuesOf(group)), ...limitedOf(used) };
  known.set(used, found);
  return found;
}

const fromReadings = (group: Group, level: number, brief = false): GroupPart =>
  brief ? sketchedBy(group, valuesOf(group), level) : withInterval({ ...group, ...figuresOf(group) }, level);

/** How the readings beyond a limit count, where there are any. */
export function limitedOf(used: readonly Reading[]): Pick<GroupPart, 'limited' | 'below'> {
  const limited = { half: 0, at: 0 };
  const below = { count: 0, limit: -Infinity };
  for (const { limited: rule, value } of used) {
    if (rule === 'half' || rule === 'at') limited[rule] += 1;
    if (rule === 'censored') {
      below.count += 1;
      below.limit = Math.max(below.limit, value);
    }
  }
  return {
    ...(limited.half + limited.at > 0 ? { limited } : {}),
    ...(below.count > 0 ? { below } : {}),
  };
}

/** A group by mean, spread and interval alone, where it is one of thousands. */
function sketchedBy(group: Group, values: readonly number[], level: number): GroupPart {
  const part: GroupPart = {
    ...group,
    n: values.length,
    decimals: decimalsOf(values),
    ...limitedOf(group.readings.used),
  };
  if (part.below) return part;
  const summary = attempt(() => summarize(values));
  if (!summary.ok) return { ...part, lacking: summary.reason };
  const { n, mean, variance } = summary.value;
  const reach = studentT(n - 1).upperQuantile((1 - level) / 2) * Math.sqrt(variance / n);
  return { ...part, summary: summary.value, interval: { low: mean - reach, high: mean + reach } };
}

function figures(values: readonly number[]): Figures {
  const n = values.length;
  const found = attempt(() => describedWithSummary(values));
  if (!found.ok) return { n, decimals: 0, lacking: found.reason };
  const { description, summary } = found.value;
  return {
    n,
    decimals: decimalsOf(values),
    description,
    ...(summary
      ? { summary }
      : { lacking: 'At least two readings are needed in each group: one alone shows no spread.' }),
  };
}

function withInterval(part: GroupPart, level: number): GroupPart {
  if (part.below) {
    // Of readings without a number of their own there is no mean; where the middle lies is known.
    const { summary: _, ...rest } = part;
    return rest;
  }
  const { description } = part;
  const interval = description && attempt(() => meanInterval(description, level));
  return interval?.ok ? { ...part, interval: interval.value } : part;
}

/** A group described by these values. */
export const describedBy = (group: Group, values: readonly number[], level: number): GroupPart =>
  withInterval({ ...group, ...figures(values), ...limitedOf(group.readings.used) }, level);

/** The group with the interval of its mean by the SD that is known, where the question takes one as known. */
export function withKnownSd(part: GroupPart, question: Question, sd = question.knownSd): GroupPart {
  const { method } = choicesOf(question);
  const mean = meanOf(part);
  if (method !== 'z' || sd === undefined || mean === undefined) return part;
  const { interval, se } = oneSampleZ(mean, part.n, sd, 0, question.level);
  return { ...part, interval, se };
}

/** A group's mean, from its readings or as reported. */
export const meanOf = ({ below, description, summary }: GroupPart): number | undefined =>
  below ? summary?.mean : (description?.mean ?? summary?.mean);

/** The cells of a two-way layout as groups, coloured by the second factor. */
export function cellParts(layout: Factors, level: number): GroupPart[] {
  const cells = byCell(layout);
  return layout.a.levels.flatMap((a, i) =>
    layout.b.levels.map((b, k) =>
      fromReadings(
        {
          id: `${a.id}\n${b.id}`,
          name: `${a.name}, ${b.name}`,
          unit: layout.unit,
          colour: b.colour ?? k,
          column: '',
          readings: {
            used: (cells[i]?.[k] ?? []).map(({ row, value }) => ({ row, value })),
            aside: [],
            unread: [],
          },
        },
        level,
      ),
    ),
  );
}

function fromReport(table: Table, { about, level }: Question): GroupPart[] {
  return reportedGroups(table, about === 'spread' ? 'spread' : 'value').map(({ figures, ...group }) => {
    const readings = { used: [], aside: [], unread: [] };
    if (!figures.ok) return { ...group, readings, n: 0, decimals: 0, reported: true, lacking: figures.reason };
    const { n, mean, variance } = figures.value;
    const reach = studentT(n - 1).upperQuantile((1 - level) / 2) * Math.sqrt(variance / n);
    return {
      ...group,
      readings,
      n,
      decimals: decimalsOf([mean]),
      reported: true,
      summary: figures.value,
      ...(reach > 0 ? { interval: { low: mean - reach, high: mean + reach } } : {}),
    };
  });
}

/** Every group of the table, as far as the question's columns name them. */
export const allParts = (table: Table, question: Question, brief = false): GroupPart[] =>
  table.shape === 'summary'
    ? fromReport(table, question)
    : groupsOf(table, { measure: question.measure, by: question.by }).map((g) =>
        fromReadings(g, question.level, brief),
      );

/** The group of this id. @throws DomainError when it is gone */
export function partOf(parts: readonly GroupPart[], id: string | undefined): GroupPart {
  const part = parts.find((g) => g.id === id);
  if (!part)
    throw new DomainError(
      id === undefined
        ? 'The groups to compare are not chosen yet: choose two.'
        : 'One of the groups compared is no longer in the readings: choose another.',
    );
  return part;
}

/** The one group asked about, or the first; with the SD that is known of the population, where it is. */
export const onePart = (question: Question, parts: readonly GroupPart[]): GroupPart =>
  withKnownSd(partOf(parts, question.a ?? parts[0]?.id), question);

/**
 * The figures of a group.
 * @param least readings it must have: two to have a spread of its own, one where the spread is shared
 * @throws DomainError in words that name the group
 */
export function summaryOf(group: GroupPart, least: 1 | 2 = 2): SampleSummary {
  if (group.summary) return group.summary;
  if (least === 1 && group.readings.used.length === 1) return summarize(valuesOf(group), 1);
  if (group.reported) throw new DomainError(group.lacking ?? `${sentenceCase(group.name)} has no figures.`);
  if (group.readings.aside.length > 0 && group.n === 0)
    throw new DomainError(`Every reading of ${group.name} is set aside: bring some back, or leave the group out.`);
  demand(group.n > 0, `${sentenceCase(group.name)} has no readings that can be used: at least two are needed.`);
  demand(
    group.n > 1,
    `${sentenceCase(group.name)} has one reading: one alone shows no spread, at least two are needed.`,
  );
  throw new DomainError(group.lacking ?? `${sentenceCase(group.name)} cannot be described.`);
}

/** All groups in one unit. @throws DomainError naming the two that differ */
export function demandOneUnit(parts: readonly GroupPart[]): void {
  const [first] = parts;
  const other = parts.find((g) => g.unit !== first?.unit);
  if (first && other)
    throw new DomainError(
      `${sentenceCase(first.name)} is in ${first.unit || 'no unit'} and ${other.name} in ${other.unit || 'no unit'}: give both the same unit in the readings, converting the numbers if they were measured differently.`,
    );
}

/** Groups of readings, where a method needs every one of them. @throws DomainError where only figures are known */
export function demandReadings(parts: readonly GroupPart[], what: string): (readonly number[])[] {
  demand(
    parts.every((g) => g.readings.used.length > 0 || !g.summary),
    `${what} needs the readings themselves; here only means and spreads are known.`,
  );
  return parts.map((g) => {
    demand(g.n > 0, `${sentenceCase(g.name)} has no readings that can be used.`);
    return valuesOf(g);
  });
}
