/** Groups as rows on one axis of the measure: every reading a point, mean and interval under them. */
import { glyphOf, groupLook } from '../drawing/marker';
import type { Answer, GroupPart } from '../answer/answer';
import { meanOf } from '../answer/group-part';
import { withUnit } from '../readings/table';
import type { Reading } from '../readings/read-column';
import { namesBeyond } from './names-beyond';
import { meanTitle, pointTitle } from './told-values';
import { given } from '../words/numbers';
import { dot, dots, estimate, label, rows, through } from '../drawing/marks';
import { shortened, textWidth } from '../drawing/text-width';
import { type Axis, type CellRef, type Mark, type Panel, type Point, extent } from '../drawing/scene';

/** What a reading’s point stays, in whatever picture it stands. */
export const pointKey = (group: string, row: number): string => `${group} ${row}`;

/** A name above its row, with the marker of its group where it is one's. */
export function nameMarks(
  name: string,
  group: { colour: number; marker?: number } | undefined,
  y: number,
  bold = true,
): Mark[] {
  return [
    label(name, -Infinity, y, { dx: group ? 14 : 0, dy: 4, bold, halo: true }),
    ...(group ? [dot(-Infinity, y, { ...groupLook(group), size: 10 })] : []),
  ];
}

/** A reading as a point. What it says of itself is put together when it is asked for: a crowd is asked for its ends only. */
class ReadingPoint implements Point {
  readonly at: number;
  constructor(
    private readonly group: GroupPart,
    private readonly reading: Reading,
    private readonly names: Answer['rowNames'],
  ) {
    this.at = reading.value;
  }
  private get rows(): number[] {
    return this.reading.rows ?? [this.reading.row];
  }
  get title(): string {
    return pointTitle(this.reading, this.group, this.names);
  }
  /** Known only to lie below a limit, it stands at it, hollow. */
  get hollow(): boolean {
    return this.reading.limited === 'censored';
  }
  /** The same reading from picture to picture: it moves where it stands otherwise. */
  get key(): string {
    return pointKey(this.group.id, this.reading.row);
  }
  get cells(): CellRef[] {
    return this.rows.map((row) => ({ column: this.group.column, row }));
  }
}

const drawn = new WeakMap<GroupPart['readings']['used'], { of: unknown[]; points: Point[] }>();

/** A group's readings as points that name themselves: the same points for as long as the readings stand. */
function readingPoints(group: GroupPart, names: Answer['rowNames']): Point[] {
  const { used } = group.readings;
  const of = [group.name, group.column, names];
  const before = drawn.get(used);
  if (before?.of.every((x, i) => x === of[i])) return before.points;
  const points = used.map((reading) => new ReadingPoint(group, reading, names));
  drawn.set(used, { of, points });
  return points;
}

/** A group's readings, those set aside hollow beneath, and its mean. */
export function groupMarks(group: GroupPart, y: number, names: Answer['rowNames'], pitch = Infinity): Mark[] {
  const look = groupLook(group);
  const aside = group.readings.aside.flatMap(({ row, value, reason }): Point[] =>
    value === undefined
      ? []
      : [
          {
            at: value,
            title: `${pointTitle({ row, value }, group, names)}, set aside: ${reason}`,
            cells: [{ column: group.column, row }],
          },
        ],
  );
  const mean = meanOf(group);
  return [
    dots(readingPoints(group, names), y - 0.02, {
      ...look,
      // What lies below a limit stands at one place: it keeps clear of the name above.
      room: group.below ? 0.3 : 0.4,
      side: -1,
      size: Math.min(group.readings.used.length > 200 ? 4 : 7, Math.max(2, pitch * 0.3)),
      name: `readings-${group.colour}`,
    }),
    // Below the interval, apart from the readings that count.
    dots(aside, y + 0.36, { ...look, ink: 'muted', room: 0.05, size: 7, hollow: true }),
    ...estimate({ at: mean, interval: group.interval }, y + 0.17, {
      ...look,
      size: Math.min(11, Math.max(3, pitch * 0.5)),
      caps: Math.min(7, pitch * 0.4),
      title: meanTitle(group),
      names: [`interval-${group.colour}`, `mean-${group.colour}`],
    }),
  ];
}

/** Everything that must lie within the axis of the measure. */
const shownValues = (groups: readonly GroupPart[]): number[] =>
  groups.flatMap((g) => [
    ...g.readings.used.map((r) => r.value),
    ...g.readings.aside.flatMap((r) => (r.value === undefined ? [] : [r.value])),
    ...(g.interval ? [g.interval.low, g.interval.high] : []),
    ...(g.summary ? [g.summary.mean] : []),
  ]);

/** The place of a picture's part. */
export interface Frame {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** What a group is held against: a dashed line through the panel, its value above it. */
export const statedMarks = (value: number, words: string): Mark[] => [
  through(value, { ink: 'accent', weight: 1.5, dash: true, name: 'fixed-value' }),
  label(words, value, -Infinity, { dy: -9, anchor: 'middle', ink: 'accent', size: 12 }),
];

/** The limits of detection that readings lie below: dotted lines through the panel. */
const limitMarks = (groups: readonly GroupPart[]): Mark[] =>
  [...new Set(groups.flatMap((g) => g.readings.used.flatMap((r) => (r.limited === 'censored' ? [r.value] : []))))].map(
    (limit) => through(limit, { ink: 'muted', weight: 1, dash: true, name: 'limit' }),
  );

/** How a group is drawn on its row. @param at its place among the groups */
export type DrawnGroup = (group: GroupPart, at: number, pitch: number) => Mark[];

/** The axis of the readings: of ratios a logarithmic one. Set-aside readings without a place there have none. */
export function valueAxis(values: readonly number[], log: boolean): Pick<Axis, 'domain' | 'nice' | 'log'> {
  if (!log) return { domain: extent(values), nice: true };
  const [low, high] = extent(values.flatMap((x) => (x > 0 ? Math.log(x) : [])));
  return { domain: [Math.exp(low), Math.exp(high)], log };
}

/** A group's name, with how many of its readings lie below a limit. */
const nameWithLimit = ({ name, below }: GroupPart): string =>
  below ? `${name} · ${below.count} below ${given(below.limit)}` : name;

/** Rows lower than this have no room above them for a name that lies on nothing of the row before. */
const roomAbove = 34;

interface NamedRow {
  name: string;
  /** Its marker, where it is a group's. */
  group?: { colour: number; marker?: number };
}

/**
 * The names of rows: above each by `lift` of a row, or where rows are low left of them, in room that the frame gives up.
 * Of more rows than there are lines for names, every so many is named; each point still names its own.
 */
export function namedRows(frame: Frame, named: readonly NamedRow[], lift: number): { frame: Frame; names: Mark[] } {
  const pitch = frame.height / Math.max(1, named.length);
  if (pitch >= roomAbove)
    return { frame, names: named.flatMap(({ name, group }, i) => nameMarks(name, group, i - lift)) };
  const every = Math.max(1, Math.ceil(16 / pitch));
  const [size, marker] = [12, named.some((one) => one.group) ? 18 : 0];
  const widest = Math.max(...named.map(({ name }) => textWidth(name, size)));
  const room = Math.min(frame.width * 0.4, widest + marker + 10);
  return {
    frame: { ...frame, left: frame.left + room, width: frame.width - room },
    names: named.flatMap(({ name, group }, i): Mark[] => {
      if (i % every > 0) return [];
      const { ink, shape } = group ? groupLook(group) : {};
      return [
        ...(shape === undefined ? [] : [label(glyphOf(shape), -Infinity, i, { dx: -room, dy: 4, size, ink })]),
        label(shortened(name, size, room - marker - 10), -Infinity, i, { dx: marker - room, dy: 4, size }),
      ];
    }),
  };
}

/** Rows lower than this have no room for the names of single readings. */
const roomForNames = 24;

/** The panel of groups as rows. @param more what else must lie within the axis */
export function groupRows(
  answer: Answer,
  frame: Frame,
  more: readonly number[] = [],
  drawn: DrawnGroup = (group, at, pitch) => groupMarks(group, at, answer.rowNames, pitch),
): Panel {
  const { groups } = answer;
  const along = { ...valueAxis([...shownValues(groups), ...more], answer.logs !== undefined), ticks: 6 };
  const pitch = frame.height / Math.max(1, groups.length);
  const { frame: inner, names } = namedRows(
    frame,
    groups.map((group) => ({ name: nameWithLimit(group), group })),
    0.5,
  );
  return {
    ...inner,
    x: {
      ...along,
      drawn: true,
      title: withUnit(answer.measure || 'reading', answer.unit),
    },
    y: rows(groups.length, 0.58),
    marks: [
      ...limitMarks(groups),
      ...groups.flatMap((group, i) => drawn(group, i, pitch)),
      ...(pitch < roomForNames
        ? []
        : groups.flatMap((group, i) => namesBeyond(group, i - 0.02, answer.rowNames, along, inner.width))),
      ...names,
    ],
  };
}
