/** What questions about readings share in words: the measure, what counts once, what was left out. */
import { nth } from '../numeric/nth';
import { sum } from '../numeric/sum';
import { centres } from '../procedures/shuffle-statistics';
import type { Answer, GroupPart } from '../answer/answer';
import { meanOf, valuesOf } from '../answer/group-part';
import { factsOf } from '../analyses/kinds';
import type { Named } from '../question/naming';
import { isPlural } from '../readings/counted';
import { withUnit } from '../readings/table';
import { belowClause } from './limits';
import { counted, fixed, given, meanDecimals, significant } from './numbers';
import { type Part, type Segment, asked, part } from './segments';
import { listed, sentenceCase, unitAfter, valued } from './sentences';
import { type Text, symbol, text } from './text';

/** The measure as a sentence's subject. */
export const measureOf = (answer: Named): string => answer.measure || 'the reading';
/** The measure without an article, to follow "mean". */
export const bareMeasure = (answer: Named): string => answer.measure || 'reading';

/** "Mean blade length": a centre of a measure, named once where the measure is a centre by its own name. */
export const withCentre = (centre: string, measure: string): string =>
  sentenceCase(measure.toLowerCase().startsWith(`${centre} `) ? measure : `${centre} ${measure}`);

/** What one group is held against, with its unit; a gap while nobody has said. */
export const statedValue = ({ question: { value } }: Pick<Named, 'question'>, unit: string, gap = '…'): string =>
  value === undefined ? gap : valued(given(value), unit);

/** "Does" before blade length, "Do" before days. */
export const does = (named: Named): string => (isPlural(measureOf(named)) ? 'Do' : 'Does');
/** "Is" before blade length, "Are" before days. */
export const is = (named: Named): string => (isPlural(measureOf(named)) ? 'Are' : 'Is');

/** The measure with its unit, as the part of a question. */
export const measurePart = (named: Named): Part => part('measure', withUnit(measureOf(named), named.unit));

export const nameAt = ({ groups }: Pick<Named, 'groups'>, i: number): string => groups[i]?.name ?? '';
export const groupPart = (which: 'a' | 'b', named: Named): Part => part(which, nameAt(named, which === 'a' ? 0 : 1));

/** Whether one column alone is what was measured, and its one group as well: then it is named once. */
export const isAlone = ({ groups, measure }: Pick<Named, 'groups' | 'measure'>): boolean =>
  groups.length === 1 && measure !== '' && groups[0]?.name === measure;
/** "blade length of Red lamp" */
export const ofGroup = (what: string, named: Named): string =>
  isAlone(named) ? what : `${what} of ${nameAt(named, 0)}`;

export const groupsPart = ({ groups }: Named): Part => part('groups', listed(groups.map((g) => g.name)));

/** The groups in a few words, for a list. */
export const shortGroups = ({ groups }: Pick<Named, 'groups'>): string =>
  groups.length > 3
    ? `${nth(groups, 0).name} · … · ${nth(groups, groups.length - 1).name}`
    : groups.map((g) => g.name).join(' · ');

/** Whether readings of one subject are counted one by one, as far as the readings are known. */
export function countsEach({ repeats, averaged, question }: Pick<Named, 'repeats' | 'averaged' | 'question'>): boolean {
  const { within, sampling } = factsOf(question);
  return repeats !== undefined && repeats.distinct < repeats.readings && !averaged && !within && sampling !== 'nested';
}

/** How a question ends: "when each blade counts once?". @param noun what counts once where nothing is named */
export function eachCounts(named: Named, noun: 'reading' | 'subject' | 'one'): Segment[] {
  const { within } = factsOf(named.question);
  const averaged = named.averaged ?? named.question.repeats === 'average';
  const each = countsEach(named) || (named.repeats === undefined && named.question.repeats === 'each');
  const how =
    within ??
    (each
      ? 'counts once for each of its readings'
      : averaged
        ? 'counts once, by the mean of its readings'
        : 'counts once');
  return asked`when each ${part('subject', named.subject || noun)} ${part('counting', how)}?`;
}

/** Whether the test was two-sided, or which way it looked. */
export const directionClause = (answer: Answer): string =>
  answer.question.direction === 'either'
    ? ' The test was two-sided.'
    : ` The test was one-sided (${nameAt(answer, 0)} ${answer.question.direction}).`;

/** How many readings were set aside, where and why. */
export function asideClause(groups: readonly GroupPart[]): string {
  const aside = groups.flatMap((g) => g.readings.aside.map((r) => ({ group: g.name, reason: r.reason })));
  if (aside.length === 0) return '';
  const reasons = [...new Set(aside.map((r) => r.reason || 'no reason given'))].join('; ');
  const where = listed([...new Set(aside.map((r) => r.group))]);
  const many = aside.length === 1 ? 'One reading' : `${aside.length} readings`;
  return ` ${many} in ${where} ${aside.length === 1 ? 'was' : 'were'} set aside before analysis (${reasons}).`;
}

/** Readings that were known only as beyond a limit, and what they were taken as. */
function limitClause(groups: readonly GroupPart[]): string {
  const half = sum(groups.flatMap((g) => g.limited?.half ?? []));
  const at = sum(groups.flatMap((g) => g.limited?.at ?? []));
  const limited = half + at;
  if (limited === 0) return '';
  const as = at === 0 ? 'half that limit' : half === 0 ? 'that limit' : 'that limit or half of it';
  return ` ${limited === 1 ? 'One reading beyond a limit of measurement was' : `${limited} readings beyond a limit of measurement were`} taken as ${as}.`;
}

/** Cells that hold something which is no number. */
function unreadClause(groups: readonly GroupPart[]): string {
  const unread = sum(groups.map((g) => g.readings.unread.length));
  if (unread === 0) return '';
  return ` ${unread === 1 ? 'One cell that held no number was' : `${unread} cells that held no number were`} left out.`;
}

/** Rows that were left out because they stand above already. */
export const twiceClause = ({ twice = 0 }: Pick<Answer, 'twice'>): string =>
  twice === 0
    ? ''
    : twice === 1
      ? ' One row that stood twice was counted once.'
      : ` ${twice} rows that stood twice were counted once each.`;

const ungroupedClause = ({ count, of }: NonNullable<Answer['ungrouped']>): string =>
  ` ${count === 1 ? 'One reading' : `${count} readings`} without a ${of} ${count === 1 ? 'was' : 'were'} left out.`;

/** What of the readings was taken and what was not, at the end of the methods. */
export function takenClause(answer: Answer): string {
  const { question, groups, unit, only, ungrouped, reported } = answer;
  const told = reported ? ' Only means, spreads and numbers as reported were used.' : '';
  const late =
    question.afterLooking && question.direction !== 'either'
      ? ' The direction was chosen after the readings had been seen.'
      : '';
  return `${only ? ` Only readings where ${only} were taken.` : ''}${question.withAside ? ' Readings set aside were included.' : ''}${belowClause(question, groups, unit)}${limitClause(groups)}${ungrouped ? ungroupedClause(ungrouped) : ''}${unreadClause(groups)}${twiceClause(answer)}${asideClause(groups)}${told}${late}`;
}

/** How many of a group's readings lie below a limit. */
const belowIn = ({ below }: GroupPart): string => (below ? `, ${below.count} below ${given(below.limit)}` : '');

/** A group with its centre, spread and n. */
export function groupClause(group: GroupPart, unit: string, centre = 'mean'): Text {
  const d = group.description;
  if (d && centre === 'ranks') {
    const decimals = meanDecimals({ decimals: group.decimals });
    // What lies below the limit has no more of a number than that.
    const { below } = group;
    const told = (x: number): string => (below && x <= below.limit ? `< ${given(below.limit)}` : fixed(x, decimals));
    return text`${group.name} (median ${told(d.median)}${unitAfter(unit)}, quartiles ${told(d.q1)} to ${told(d.q3)}${unitAfter(unit)}, ${symbol('n')} = ${group.n}${belowIn(group)})`;
  }
  if (d && centre !== 'mean') {
    const value = centre === 'median' ? d.median : centres.trimmed(valuesOf(group));
    return text`${group.name} (${centre} ${fixed(value, meanDecimals({ decimals: group.decimals }))}${unitAfter(unit)}, ${symbol('n')} = ${group.n})`;
  }
  const s = group.summary;
  const mean = s?.mean ?? meanOf(group);
  if (mean === undefined)
    return group.below
      ? text`${group.name} (${symbol('n')} = ${group.n}${belowIn(group)})`
      : text`${group.name} (no readings)`;
  const decimals = meanDecimals(group);
  const { geometric } = group;
  const centred = `${group.adjusted ? 'adjusted ' : ''}${geometric ? 'geometric mean' : 'mean'}`;
  if (group.adjusted)
    return text`${group.name} (${centred} ${fixed(mean, decimals)}${unitAfter(unit)}, as read ${fixed(group.adjusted.unadjusted, decimals)}${unitAfter(unit)}, ${symbol('n')} = ${group.n})`;
  if (group.samples) {
    const of = counted(group.samples.count, group.samples.name);
    return text`${group.name} (${centred} ${fixed(mean, decimals)}${unitAfter(unit)}, ${counted(group.n, 'reading')} of ${of})`;
  }
  const sd = geometric?.sd
    ? `, geometric SD ${significant(geometric.sd, 3)}`
    : s
      ? `, SD ${fixed(Math.sqrt(s.variance), decimals)}${unitAfter(unit)}`
      : '';
  return text`${group.name} (${centred} ${fixed(mean, decimals)}${unitAfter(unit)}${sd}, ${symbol('n')} = ${group.n}${belowIn(group)})`;
}
