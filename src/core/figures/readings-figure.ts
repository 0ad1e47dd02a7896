/** Figures of readings: means with error bars, boxes, subjects' lines, cell means joined. */
import { subjectOfReading } from '../readings/factors';
import { sum } from 'd3-array';
import type { Answer } from '../answer/answer';
import { meanOf, valuesOf } from '../answer/group-part';
import { withUnit } from '../readings/table';
import { beyondOf, boxOf, namedBeyond, readingName } from '../scenes/box';
import type { Reading } from '../readings/read-column';
import type { Ink, Mark } from '../scenes/scene';
import { fixed } from '../words/numbers';
import { barEnds, barWords } from './error-bars';
import type { FigureKind, FigureStyle } from './figure-style';
import { type Series, type Slot, slotsOf } from './slots';
import { type Drawn, type Margins, type Upright, upright } from './upright';

const known = (x: number | undefined): number[] => (x === undefined ? [] : [x]);

const valueTitle = (answer: Answer): string => withUnit(answer.measure || 'reading', answer.unit);

/** Every reading of a slot as a point beside `x`. */
function readingMarks(slot: Slot, i: number, x: number, room: number, size: number): Mark {
  return {
    mark: 'dots',
    points: slot.group.readings.used.map((r) => ({
      at: r.value,
      title: `${slot.name}, row ${r.row + 1}: ${r.limited === 'censored' ? 'below ' : ''}${r.value}`,
      ...(r.limited === 'censored' ? { hollow: true } : {}),
    })),
    along: 'y',
    centre: x,
    room,
    ink: slot.ink,
    shape: slot.shape,
    size,
    name: `readings-${i}`,
  };
}

function errorBar(slot: Slot, i: number, x: number, style: FigureStyle, level: number, ink: Ink = 'ink'): Mark[] {
  const ends = barEnds(slot.group, style.bars, level);
  return ends
    ? [
        {
          mark: 'rule',
          x1: x,
          y1: ends.low,
          x2: x,
          y2: ends.high,
          ink,
          weight: 1.4,
          caps: style.fontPt * 0.6,
          name: `error-bar-${i}`,
        },
      ]
    : [];
}

const meanPoint = (slot: Slot, i: number, x: number, mean: number, size: number): Mark => ({
  mark: 'dots',
  points: [{ at: mean, title: `mean of ${slot.name}: ${mean}` }],
  along: 'y',
  centre: x,
  room: 0,
  ink: slot.ink,
  shape: slot.shape,
  size,
  name: `mean-${i}`,
});

/** Size of a reading's point: smaller where its place is narrow. */
const pointSize = (style: FigureStyle, unit: number, half: number): number =>
  Math.max(1.2, Math.min(style.fontPt * 0.42, unit * half * 0.28));

/** Readings stand to the left of the middle and the error bar to the right, so that neither hides the other. */
function means(answer: Answer, style: FigureStyle, slots: readonly Slot[], unit: number): Mark[] {
  const columns = style.marks === 'columns';
  return slots.flatMap((slot, i): Mark[] => {
    const { x, half, ink } = slot;
    const beside = style.readings && slot.group.readings.used.length > 0 ? half * 0.36 : 0;
    const mean = meanOf(slot.group);
    const wide = half * 0.82;
    const out: Mark[] = [];
    if (mean !== undefined && columns)
      out.push(
        { mark: 'bar', x1: x - wide, y1: 0, x2: x + wide, y2: mean, ink, tint: 0.22, name: `column-${i}` },
        { mark: 'rule', x1: x - wide, y1: mean, x2: x + wide, y2: mean, ink, weight: 2, name: `mean-${i}` },
      );
    if (beside > 0) out.push(readingMarks(slot, i, x - beside, half * 0.5, pointSize(style, unit, half)));
    out.push(...errorBar(slot, i, x + beside, style, answer.question.level));
    if (mean !== undefined && !columns)
      out.push(meanPoint(slot, i, x + beside, mean, Math.min(style.fontPt * 0.95, unit * half * 0.6)));
    return out;
  });
}

/** The names of readings beyond the whiskers, right of their points; one that would touch the one below is left out. */
function beyondNames(
  { rowNames }: Answer,
  style: FigureStyle,
  beyond: readonly Reading[],
  x: number,
  place: (value: number) => number,
): Mark[] {
  const size = style.fontPt * 0.85;
  let free = Infinity;
  return namedBeyond(beyond).flatMap((reading): Mark[] => {
    const { value } = reading;
    if (place(value) + size / 2 > free) return [];
    free = place(value) - size * 0.6;
    const text = readingName(reading, rowNames);
    return [{ mark: 'text', x, y: value, dx: size * 0.6, dy: size * 0.34, text, size, name: 'beyond-name' }];
  });
}

/** Quartiles and median, whiskers to the last reading within 1.5 interquartile ranges, what lies beyond as points with their names. */
function boxes(
  answer: Answer,
  style: FigureStyle,
  slots: readonly Slot[],
  unit: number,
  place: (value: number) => number,
): Mark[] {
  return slots.flatMap((slot, i): Mark[] => {
    const values = valuesOf(slot.group);
    if (values.length === 0) return [];
    const box = boxOf(values);
    const { q1, median: middle, q3, low, high } = box;
    const beyond = beyondOf(box, slot.group.readings.used);
    const { half, ink } = slot;
    const beside = style.readings ? half * 0.3 : 0;
    const x = slot.x + beside;
    const wide = half * (style.readings ? 0.4 : 0.6);
    const rule = (x1: number, y1: number, x2: number, y2: number, weight: number, name: string): Mark => ({
      mark: 'rule',
      x1,
      y1,
      x2,
      y2,
      ink,
      weight,
      name,
    });
    const size = pointSize(style, unit, half);
    return [
      { mark: 'bar', x1: x - wide, y1: q1, x2: x + wide, y2: q3, ink, tint: 0.22, name: `box-${i}` },
      rule(x - wide, q1, x + wide, q1, 1.2, `box-${i}`),
      rule(x - wide, q3, x + wide, q3, 1.2, `box-${i}`),
      rule(x - wide, q1, x - wide, q3, 1.2, `box-${i}`),
      rule(x + wide, q1, x + wide, q3, 1.2, `box-${i}`),
      rule(x - wide, middle, x + wide, middle, 2.4, `median-${i}`),
      rule(x, low, x, q1, 1.2, `whisker-${i}`),
      rule(x, q3, x, high, 1.2, `whisker-${i}`),
      ...(style.readings
        ? [readingMarks(slot, i, slot.x - half * 0.4, half * 0.42, size)]
        : [
            {
              mark: 'dots' as const,
              points: beyond.map(({ value: at }) => ({ at, title: `${slot.name}: ${at}` })),
              along: 'y' as const,
              centre: x,
              room: half * 0.3,
              ink,
              shape: slot.shape,
              size,
              name: `beyond-${i}`,
            },
            ...beyondNames(answer, style, beyond, x, place),
          ]),
    ];
  });
}

/** The readings of each subject, as places of slots with their values. */
function subjectsOf(answer: Answer, slots: readonly Slot[]): [number, number][][] {
  const at = (id: string | undefined): number | undefined => slots.find((s) => s.id === id)?.x;
  const found = answer.comparison.ok ? answer.comparison.value : undefined;
  const [a, b] = answer.groups;
  const placed = (entries: [string | undefined, number][]): [number, number][] =>
    entries
      .flatMap(([id, value]): [number, number][] => {
        const x = at(id);
        return x === undefined ? [] : [[x, value]];
      })
      .sort((p, q) => p[0] - q[0]);
  if (found?.pairing)
    return found.pairing.pairs.map((pair) =>
      placed([
        [a?.id, pair.a.value],
        [b?.id, pair.b.value],
      ]),
    );
  if (answer.layout) {
    const bySubject = new Map<string, [string, number][]>();
    for (const r of answer.layout.readings)
      bySubject.set(subjectOfReading(r), [...(bySubject.get(subjectOfReading(r)) ?? []), [`${r.a}\n${r.b}`, r.value]]);
    return [...bySubject.values()].map(placed);
  }
  const rows: readonly (readonly (number | undefined)[])[] = found?.complete?.rows ?? found?.everyone?.rows ?? [];
  return rows.map((row) =>
    placed(
      answer.groups.flatMap((g, i): [string, number][] => {
        const value = row[i];
        return value === undefined ? [] : [[g.id, value]];
      }),
    ),
  );
}

function lines(answer: Answer, style: FigureStyle, slots: readonly Slot[], unit: number): Mark[] {
  const subjects = subjectsOf(answer, slots);
  return [
    ...subjects.map((points): Mark => ({ mark: 'path', points, ink: 'muted', weight: 0.8, name: 'subject' })),
    ...slots.flatMap((slot, i): Mark[] => {
      const { x, half } = slot;
      const mean = meanOf(slot.group);
      // Means stand beside the lines' ends: outwards, so that no line crosses them.
      const side = x <= (slots.at(-1)?.x ?? 0) / 2 ? -1 : 1;
      const beside = x + side * half * (slots.length > 2 ? 0.22 : 0.4);
      return [
        {
          mark: 'dots',
          points: subjects.flatMap((s) =>
            s.filter(([at]) => at === x).map(([, at]) => ({ at, title: `${slot.name}: ${at}` })),
          ),
          along: 'y',
          centre: x,
          room: 0,
          ink: slot.ink,
          shape: slot.shape,
          size: pointSize(style, unit, half),
          name: `readings-${i}`,
        },
        ...errorBar(slot, i, beside, style, answer.question.level),
        ...(mean === undefined ? [] : [meanPoint(slot, i, beside, mean, style.fontPt * 0.85)]),
      ];
    }),
  ];
}

/** Cell means of one level joined over the levels of the other; a little apart, so that bars do not cover one another. */
function interaction(
  answer: Answer,
  style: FigureStyle,
  slots: readonly Slot[],
  series: readonly Series[],
  unit: number,
): Mark[] {
  return series.flatMap((s): Mark[] => {
    const own = slots.filter((slot) => slot.series === s.id);
    const cells = own.flatMap((slot) => {
      const mean = meanOf(slot.group);
      return mean === undefined ? [] : [{ slot, i: slots.indexOf(slot), mean }];
    });
    return [
      ...(style.readings
        ? own.map((slot) =>
            // Lighter than the means that summarise them.
            ({
              ...readingMarks(slot, slots.indexOf(slot), slot.x - 0.06, slot.half * 0.2, pointSize(style, unit, 0.25)),
              hollow: true,
            }),
          )
        : []),
      {
        mark: 'path',
        points: cells.map(({ slot, mean }) => [slot.x, mean] as const),
        ink: s.ink,
        weight: 1.8,
        name: `series-${s.look}`,
      },
      ...cells.flatMap(({ slot, i, mean }): Mark[] => [
        // Two groups' bars stand beside each other, each in its group's colour.
        ...errorBar(slot, i, slot.x, style, answer.question.level, slot.ink),
        meanPoint(slot, i, slot.x, mean, style.fontPt * 0.9),
      ]),
    ];
  });
}

const told = (answer: Answer, slots: readonly Slot[]): string =>
  slots
    .map(({ name, group }) => {
      const mean = meanOf(group);
      return mean === undefined
        ? `${name}: no readings`
        : `${name}: mean ${fixed(mean, 2)}${answer.unit && ` ${answer.unit}`}, n ${group.n}`;
    })
    .join('; ');

/** Draws readings as one of the kinds that show them. */
export function readingsFigure(
  answer: Answer,
  given: FigureStyle,
  kind: Extract<FigureKind, 'means' | 'boxes' | 'lines' | 'interaction'>,
  least?: Partial<Margins>,
): Drawn {
  // Ratios are read on a logarithmic axis, unless a linear one is asked for.
  const style = answer.logs && given.log === undefined && given.marks !== 'columns' ? { ...given, log: true } : given;
  const plain = slotsOf(answer, style);
  // Set far enough apart that no group's readings or bars lie on another's.
  const dodge = style.readings ? 0.2 : 0.12;
  const joined = kind === 'interaction' || (kind === 'lines' && plain.series.length > 0);
  // Where lines run from cluster to cluster, the levels of the second factor stand close together.
  const layout = joined
    ? {
        ...plain,
        slots: plain.slots.map((slot) => {
          const k = plain.series.findIndex((s) => s.id === slot.series);
          const x = plain.clusters.find((c) => c.look.endsWith(`/${slot.cluster}`))?.x ?? 0;
          const wide = kind === 'lines' ? 0.3 : dodge;
          return { ...slot, x: x + (k - (plain.series.length - 1) / 2) * wide, half: 0.25 };
        }),
      }
    : plain;
  const { slots } = layout;
  const { level } = answer.question;
  const bars = kind === 'boxes' ? [] : slots.flatMap((s) => barEnds(s.group, style.bars, level) ?? []);
  const all = kind === 'boxes' || kind === 'lines' || style.readings;
  const values = [
    ...slots.flatMap((s) => (all ? valuesOf(s.group) : [])),
    ...slots.flatMap((s) => known(meanOf(s.group))),
    ...bars.flatMap((b) => [b.low, b.high]),
  ];
  const endNames =
    kind === 'interaction'
      ? layout.series.flatMap((series): NonNullable<Upright['endNames']> => {
          const last = slots.filter((s) => s.series === series.id && meanOf(s.group) !== undefined).at(-1);
          const value = last && meanOf(last.group);
          return last && value !== undefined ? [{ series, value, x: last.x }] : [];
        })
      : [];
  const fromZero = kind === 'means' && style.marks === 'columns';
  const what = {
    means: 'Means',
    boxes: 'Box plots',
    lines: 'Readings of each subject joined',
    interaction: 'Cell means joined',
  }[kind];
  const of = valueTitle(answer);
  return upright(
    answer,
    style,
    {
      layout,
      shown: { values: values.length > 0 ? values : [0, 1], fromZero },
      title: of,
      marks: ({ unit, place }) =>
        kind === 'means'
          ? means(answer, style, slots, unit)
          : kind === 'boxes'
            ? boxes(answer, style, slots, unit, place)
            : kind === 'lines'
              ? lines(answer, style, slots, unit)
              : interaction(answer, style, slots, layout.series, unit),
      alt: `${what} of ${of} by group${kind === 'boxes' ? '' : `; error bars are ${barWords(style.bars, level, answer.logs !== undefined)}`}. ${told(answer, slots)}. ${sum(slots, (s) => s.group.n)} readings in all.`,
      slotNames: !joined,
      endNames,
      band: kind !== 'interaction',
    },
    least,
  );
}
