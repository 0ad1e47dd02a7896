/** Readings against what they are adjusted for: a line for each group, all parallel, their difference where it is read. */
import type { Answer } from '../answer/answer';
import type { CovariatePart } from '../answer/comparison';
import { leastOf, mostOf } from '../numeric/extremes';
import { withUnit } from '../readings/table';
import { significant } from '../words/numbers';
import { meanText, pointTitle, readingText } from './told-values';
import { besideDifferences } from './beside-differences';
import { type Look, groupsLook } from './groups-look';
import { type Frame, valueAxis } from './group-rows';
import { glyphOf, groupLook } from '../drawing/marker';
import { dots, label, path, rule, through } from '../drawing/marks';
import type { Mark, Panel } from '../drawing/scene';
import { textWidth } from '../drawing/text-width';

/** Room for the numbers and the title of the upright axis. */
const axisRoom = 44;

/** A group's readings, its line as far as they reach, and its adjusted mean. */
function groupMarks(answer: Answer, covariate: CovariatePart, g: number): Mark[] {
  const [group, own] = [answer.groups[g], covariate.groups[g]];
  if (!group || !own) return [];
  const ink = { group: group.colour };
  const logs = answer.logs !== undefined;
  const scale = (x: number): number => (covariate.logged ? Math.log(x) : x);
  const line = (x: number): number => {
    const from = logs ? Math.log(own.mean) : own.mean;
    const y = from + covariate.slope.estimate * (scale(x) - scale(covariate.at));
    return logs ? Math.exp(y) : y;
  };
  const xs = own.points.map((p) => p.x);
  const ends = [leastOf(xs), mostOf(xs)];
  const look = { along: 'y', ...groupLook(group) } as const;
  return [
    dots(
      own.points.map(({ x, y, row }) => ({
        at: y,
        across: x,
        title: `${pointTitle({ row, value: y }, group, answer.rowNames)}, ${covariate.name} ${readingText(x)}`,
        cells: [{ column: group.column, row }],
      })),
      0,
      { ...look, size: own.points.length > 200 ? 4 : 6, name: `readings-${group.colour}` },
    ),
    path(
      ends.map((x) => [x, line(x)] as const),
      { ink, weight: 1.8, name: `line-${group.colour}` },
    ),
    dots(
      [{ at: own.mean, across: covariate.at, title: `adjusted mean of ${group.name}: ${meanText(own.mean, group)}` }],
      0,
      {
        ...look,
        size: 11,
        name: `mean-${group.colour}`,
      },
    ),
  ];
}

/** The names of the groups in a row above the panel. */
function nameRow(answer: Answer, width: number): Mark[] {
  let dx = 0;
  return answer.groups.flatMap((group): Mark[] => {
    const text = `${glyphOf(groupLook(group).shape)} ${group.name}`;
    const at = dx;
    dx += textWidth(text, 12) + 16;
    return dx > width + 16
      ? []
      : [
          label(text, -Infinity, Infinity, {
            dx: at,
            dy: -10,
            size: 12,
            bold: true,
            ink: { group: group.colour },
          }),
        ];
  });
}

/** The panel of readings against the covariate. */
export function covariatePanel(answer: Answer, covariate: CovariatePart, frame: Frame): Panel {
  const points = covariate.groups.flatMap((g) => g.points);
  const means = covariate.groups.map((g) => g.mean);
  const [low, high] = [leastOf(means), mostOf(means)];
  const within: Frame = { ...frame, left: frame.left + axisRoom, width: frame.width - axisRoom };
  return {
    ...within,
    x: {
      ...valueAxis([...points.map((p) => p.x), covariate.at], covariate.logged === true),
      drawn: true,
      title: withUnit(covariate.name, covariate.unit),
      ticks: 6,
    },
    y: {
      ...valueAxis([...points.map((p) => p.y), ...means], answer.logs !== undefined),
      drawn: true,
      title: withUnit(answer.measure || 'reading', answer.unit),
      ticks: 5,
    },
    marks: [
      through(covariate.at, { ink: 'line', weight: 1, name: 'adjusted-to' }),
      rule(covariate.at, low, covariate.at, high, { weight: 2.5, name: 'adjusted-difference' }),
      ...covariate.groups.flatMap((_, g) => groupMarks(answer, covariate, g)),
      ...nameRow(answer, within.width),
    ],
  };
}

export const covariateTold = ({ measure, groups }: Answer, { name, at, groups: own }: CovariatePart): string =>
  `Readings of ${measure || 'the measure'} against ${name} with a line for each group, all of one slope; adjusted means at ${significant(at, 4)}: ${groups.map((g, i) => `${g.name} ${meanText(own[i]?.mean ?? NaN, g)}`).join('; ')}.`;

export const covariateLook: Look = (answer, width, options) => {
  const covariate = answer.comparison.ok ? answer.comparison.value.covariate : undefined;
  if (!covariate) return groupsLook(answer, width, options);
  return besideDifferences(
    answer,
    width,
    options,
    (frame) => covariatePanel(answer, covariate, frame),
    { count: Math.max(4, answer.groups.length), pitch: 60 },
    covariateTold(answer, covariate),
  );
};
