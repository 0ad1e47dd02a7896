import type { Answer, GroupPart } from '../answer/answer';
import { withUnit } from '../readings/table';
import { between, fixed, intervalDecimals, percent } from '../words/numbers';
import { subtraction } from '../words/two-groups';
import { type Mark, type Panel, type Scene, extent } from './scene';

const fontSize = 13;

/** More pairs than this are not joined by lines: they would be a smear. */
const mostPairs = 300;

/** What a point says of itself: its group, its row with its label, its value. */
function pointTitle(group: GroupPart, row: number, value: number, names: Answer['rowNames'], rows = 1): string {
  const label = names?.[row]?.trim();
  const where = rows > 1 ? `mean of ${rows} readings` : `row ${row + 1}`;
  return `${group.name}, ${where}${label ? ` (${label})` : ''}: ${value}`;
}

function groupMarks(group: GroupPart, y: number, names: Answer['rowNames']): Mark[] {
  const ink = { group: group.colour };
  const marks: Mark[] = [
    {
      mark: 'dots',
      points: group.readings.used.map(({ row, value, rows = [row] }) => ({
        at: value,
        title: pointTitle(group, row, value, names, rows.length),
        cells: rows.map((r) => ({ column: group.column, row: r })),
      })),
      along: 'x',
      centre: y - 0.02,
      room: 0.44,
      side: -1,
      ink,
      shape: group.colour,
      size: group.readings.used.length > 200 ? 4 : 7,
      name: `readings-${group.colour}`,
    },
    {
      mark: 'dots',
      points: group.readings.aside.flatMap(({ row, value, reason }) =>
        value === undefined
          ? []
          : [
              {
                at: value,
                title: `${pointTitle(group, row, value, names)}, set aside: ${reason}`,
                cells: [{ column: group.column, row }],
              },
            ],
      ),
      along: 'x',
      // Below the interval, apart from the readings that count.
      centre: y + 0.36,
      room: 0.05,
      ink: 'muted',
      shape: group.colour,
      size: 7,
      hollow: true,
    },
  ];
  const { description, interval } = group;
  if (interval)
    marks.push({
      mark: 'rule',
      x1: interval.low,
      y1: y + 0.17,
      x2: interval.high,
      y2: y + 0.17,
      ink,
      weight: 2.5,
      caps: 7,
      name: `interval-${group.colour}`,
    });
  if (description)
    marks.push({
      mark: 'dots',
      points: [{ at: description.mean, title: `mean of ${group.name}: ${description.mean}` }],
      along: 'x',
      centre: y + 0.17,
      room: 0,
      ink,
      shape: group.colour,
      size: 11,
      name: `mean-${group.colour}`,
    });
  return marks;
}

/**
 * The picture of an answer about two groups: every reading as a point by group on one axis, mean and interval under
 * them; beside it, on its own axis, the difference with its interval against the divide line.
 */
export function lookScene(answer: Answer, width: number): Scene {
  const { groups, comparison, question } = answer;
  const height = 244;
  const effectWidth = Math.round(width * 0.36);
  // Room for half of the first tick's label, and for the markers of the names.
  const namesRoom = 26;
  const top = 26;
  const plotHeight = height - top - 48;
  const values = groups.flatMap((g) => [
    ...g.readings.used.map((r) => r.value),
    ...g.readings.aside.flatMap((r) => (r.value === undefined ? [] : [r.value])),
    ...(g.interval ? [g.interval.low, g.interval.high] : []),
  ]);
  const look: Panel = {
    left: namesRoom,
    top,
    width: width - effectWidth - namesRoom - 36,
    height: plotHeight,
    x: {
      domain: extent(values),
      nice: true,
      drawn: true,
      title: withUnit(answer.measure || 'reading', answer.unit),
      ticks: 6,
    },
    y: { domain: [-0.62, 1.42], drawn: false, down: true },
    marks: groups.flatMap((group, i) => groupMarks(group, i, answer.rowNames)),
  };
  // Partners are joined by a line: what pairs share drops out of the difference.
  const pairs = comparison.ok ? (comparison.value.pairing?.pairs ?? []) : [];
  if (pairs.length <= mostPairs)
    look.marks.unshift(
      ...pairs.map(({ a, b }): Mark => ({
        mark: 'rule',
        x1: a.value,
        y1: -0.02,
        x2: b.value,
        y2: 0.98,
        ink: 'line',
        weight: 1.2,
        name: 'pair',
      })),
    );
  look.marks.push(
    ...groups.map((group, i): Mark => ({
      mark: 'text',
      x: -Infinity,
      y: i - 0.46,
      dx: 14,
      text: group.name,
      bold: true,
    })),
  );
  look.marks.push(
    ...groups.map((group, i): Mark => ({
      mark: 'dots',
      points: [{ at: -Infinity }],
      along: 'x',
      centre: i - 0.5,
      room: 0,
      ink: { group: group.colour },
      shape: group.colour,
      size: 10,
    })),
  );
  const panels = [look];
  let alt = `Readings of ${answer.measure || 'the measure'} by group: ${groups
    .map((g) =>
      g.description
        ? `${g.name}, ${g.description.n} readings, mean ${fixed(g.description.mean, 2)}`
        : `${g.name}, none`,
    )
    .join('; ')}.`;
  if (comparison.ok) {
    const { test } = comparison.value;
    const decimals = intervalDecimals(test.interval);
    const span = Math.max(Math.abs(test.interval.low), Math.abs(test.interval.high)) * 1.06;
    const label = `${fixed(test.estimate, decimals)} (${between(test.interval, decimals)})`;
    panels.push({
      left: width - effectWidth,
      top,
      width: effectWidth - 12,
      height: plotHeight,
      x: {
        domain: [Math.min(0, test.interval.low) - 0.1 * span, Math.max(0, test.interval.high) + 0.1 * span],
        drawn: true,
        title: withUnit(subtraction(groups), answer.unit),
        ticks: 5,
      },
      y: { domain: [0, 1], drawn: false, down: true },
      marks: [
        ...divideLine(),
        {
          mark: 'rule',
          x1: test.interval.low,
          y1: 0.55,
          x2: test.interval.high,
          y2: 0.55,
          ink: 'ink',
          weight: 2.5,
          caps: 11,
          name: 'effect-interval',
        },
        {
          mark: 'dots',
          points: [{ at: test.estimate, title: `difference: ${label} ${answer.unit}` }],
          along: 'x',
          centre: 0.55,
          room: 0,
          ink: 'ink',
          shape: 0,
          size: 13,
          name: 'effect',
        },
        {
          mark: 'text',
          x: (test.interval.low + test.interval.high) / 2,
          y: 0.55,
          dy: -16,
          anchor: 'middle',
          text: label,
          halo: true,
          bold: true,
        },
      ],
    });
    alt += ` ${subtraction(groups)}: ${label} ${answer.unit}, ${percent(question.level)} interval, drawn against the line of no difference.`;
  }
  return { width, height, fontSize, lineWeight: 1, panels, alt };
}

/** The line of no difference: a rule with a filled dot above and an open dot below, as in the division sign. */
export function divideLine(): Mark[] {
  return [
    { mark: 'rule', x1: 0, y1: 0.07, x2: 0, y2: 0.93, ink: 'accent', weight: 1.5, name: 'divide-line' },
    { mark: 'dots', points: [{ at: 0 }], along: 'x', centre: 0.02, room: 0, ink: 'accent', shape: 0, size: 8 },
    {
      mark: 'dots',
      points: [{ at: 0 }],
      along: 'x',
      centre: 0.98,
      room: 0,
      ink: 'accent',
      shape: 0,
      size: 8,
      hollow: true,
    },
    { mark: 'text', x: 0, y: 0, dy: -9, anchor: 'middle', text: 'no difference', ink: 'accent', size: 12 },
  ];
}
