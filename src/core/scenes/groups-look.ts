import type { Answer, GroupPart } from '../answer/answer';
import { factsOf } from '../analyses/kinds';
import { countOf } from '../words/counts';
import { fixed, given } from '../words/numbers';
import { valued } from '../words/sentences';
import { meanTold } from './told-values';
import { type LookOptions, besideDifferences } from './beside-differences';
import { groupRows, statedMarks } from './group-rows';
import { type Scene } from '../drawing/scene';
import { shareRows } from './share-rows';
import { subjectLines } from './subject-lines';
import { twoWayRows } from './two-way-rows';

export type Look = (answer: Answer, width: number, options: LookOptions) => Scene;

const told = (group: GroupPart): string => {
  const mean = meanTold(group);
  return `${group.name}, ${mean === undefined ? 'none' : `${group.n} readings, ${mean}`}`;
};
const readingsTold = (answer: Answer): string =>
  `Readings of ${answer.measure || 'the measure'} by group: ${answer.groups.map(told).join('; ')}.`;

/** Every reading as a point by group, mean and interval under them; what is of one subject joined by a line. */
export const groupsLook: Look = (answer, width, options) => {
  const { groups, comparison, question } = answer;
  const { pairing, complete, everyone } = (comparison.ok ? comparison.value : undefined) ?? {};
  // What subjects share drops out of the difference: their lines show it.
  const lines = pairing
    ? pairing.pairs.map(({ a, b }) => (groups[0]?.id === question.b ? [b.value, a.value] : [a.value, b.value]))
    : factsOf(question).within && (complete?.rows ?? everyone?.rows);
  return besideDifferences(
    answer,
    width,
    options,
    (frame) => {
      const rows = groupRows(answer, frame);
      return lines ? { ...rows, marks: [...subjectLines(lines), ...rows.marks] } : rows;
    },
    { count: Math.max(1, groups.length), pitch: 44 },
    readingsTold(answer),
  );
};

/** The same of one group, with the value it is held against. */
export const againstValueLook: Look = (answer, width, options) => {
  const { value } = answer.question;
  return besideDifferences(
    answer,
    width,
    options,
    (frame) => {
      if (value === undefined) return groupRows(answer, frame);
      const rows = groupRows(answer, frame, [value]);
      const stated = statedMarks(value, valued(given(value), answer.unit));
      return { ...rows, marks: [...stated, ...rows.marks] };
    },
    { count: 1, pitch: 44 },
    readingsTold(answer),
  );
};

/** Readings by two factors, cell means joined from level to level. */
export const factorsLook: Look = (answer, width, options) => {
  const along = factsOf(answer.question).along ?? 'a';
  return besideDifferences(
    answer,
    width,
    options,
    (frame) => twoWayRows(answer, frame),
    { count: answer.layout?.[along].levels.length ?? 2, pitch: 44 },
    `Readings of ${answer.measure || 'the measure'} by two factors, cell means joined.`,
  );
};

/** Each group as the distances of its readings from its mean, one SD to either side. */
const deviations = (groups: readonly GroupPart[]): GroupPart[] =>
  groups.map((g) => {
    const { summary } = g;
    const { description: _, interval: __, ...rest } = g;
    if (!summary) return rest;
    const sd = Math.sqrt(summary.variance);
    const away = (x: number): number => x - summary.mean;
    return {
      ...rest,
      readings: {
        ...g.readings,
        used: g.readings.used.map((r) => ({ ...r, value: away(r.value) })),
        aside: g.readings.aside.map((r) => (r.value === undefined ? r : { ...r, value: away(r.value) })),
      },
      summary: { ...summary, mean: 0 },
      interval: { low: -sd, high: sd },
    };
  });

/** How far readings lie from their group's mean. */
export const spreadLook: Look = (answer, width, options) => {
  const { groups, measure } = answer;
  const sds = groups.map((g) => `${g.name}, SD ${g.summary ? fixed(Math.sqrt(g.summary.variance), 3) : 'unknown'}`);
  return besideDifferences(
    answer,
    width,
    options,
    (frame) => groupRows({ ...answer, groups: deviations(groups), measure: 'distance from the group’s mean' }, frame),
    { count: Math.max(1, groups.length), pitch: 48 },
    `Distances of ${measure || 'readings'} from each group’s mean by group: ${sds.join('; ')}.`,
  );
};

/** The share found in each group. @param stated whether one is held against a stated share */
const sharesBy =
  (stated: boolean): Look =>
  (answer, width, options) =>
    besideDifferences(
      answer,
      width,
      options,
      (frame) => shareRows(answer, frame, stated ? answer.question.value : undefined),
      { count: Math.max(1, answer.groups.length), pitch: 48 },
      `Share of ${answer.measure} by group: ${answer.groups.map((g) => `${g.name} ${countOf(g)}`).join('; ')}.`,
    );
export const sharesLook = sharesBy(false);
export const statedShareLook = sharesBy(true);
