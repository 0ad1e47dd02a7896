/** Figures of readings: means with error bars, boxes, subjects' lines, cell means joined. */
import { subjectOfReading } from '../readings/factors';
import { sum } from 'd3-array';
import type { Answer } from '../answer/answer';
import { leastOf, mostOf } from '../numeric/extremes';
import { meanOf, valuesOf } from '../answer/group-part';
import { withUnit } from '../readings/table';
import { beyondOf, boxOf, namedBeyond, readingName } from '../scenes/box';
import type { Reading } from '../readings/read-column';
import { random } from '../numeric/random';
import type { Interval } from '../procedures/interval';
import type { Ink, Mark } from '../scenes/scene';
import { fixed, meanDecimals } from '../words/numbers';
import { barEnds, barWords } from './error-bars';
import type { FigureKind, FigureStyle } from './figure-style';
import { columnMarks, endsShown, filled, halfWidth, valueLabel } from './filled';
import { type Series, type Slot, slotsOf } from './slots';
import { type Drawn, type Margins, type Upright, upright } from './upright';

const known = (x: number | undefined): number[] => (x === undefined ? [] : [x]);

const valueTitle = (answer: Answer): string => withUnit(answer.measure || 'reading', answer.unit);

/** Every reading of a slot as a point beside `x`. */
function readingMarks(slot: Slot, i: number, x: number, room: number, size: number, style: FigureStyle): Mark {
  // By chance, but each time the same: a figure drawn again is the figure that was seen.
  const chance = style.scatter === 'random' ? random(i + 1) : undefined;
  const across = (): { across?: number } =>
    chance ? { across: x + (2 * chance.uniform() - 1) * room } : style.scatter === 'line' ? { across: x } : {};
  return {
    mark: 'dots',
    points: slot.group.readings.used.map((r) => ({
      at: r.value,
      title: `${slot.name}, row ${r.row + 1}: ${r.limited === 'censored' ? 'below ' : ''}${r.value}`,
      ...(r.limited === 'censored' ? { hollow: true } : {}),
      ...across(),
    })),
    along: 'y',
    centre: x,
    room,
    // On a ground of their own colour they would not be seen.
    ink: style.fill === 'solid' && style.marks === 'columns' ? 'ink' : slot.ink,
    shape: slot.shape,
    size,
    name: `readings-${i}`,
  };
}

/** The ends of a slot's error bar as they are drawn. */
function drawnEnds({ group }: Slot, style: FigureStyle, level: number): Interval | undefined {
  const ends = barEnds(group, style.bars, level);
  const mean = meanOf(group);
  return ends && mean !== undefined ? endsShown(ends, mean, style) : ends;
}

function errorBar(slot: Slot, i: number, x: number, style: FigureStyle, level: number, ink: Ink = 'ink'): Mark[] {
  const ends = drawnEnds(slot, style, level);
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
  style.readingPt ?? Math.max(1.2, Math.min(style.fontPt * 0.42, unit * half * 0.28));

/** Readings stand to the left of the middle and the error bar to the right, so that neither hides the other. */
function means(answer: Answer, style: FigureStyle, slots: readonly Slot[], unit: number): Mark[] {
  const columns = style.marks === 'columns';
  return slots.flatMap((slot, i): Mark[] => {
    const { x, half } = slot;
    const beside = style.readings && slot.group.readings.used.length > 0 ? half * 0.36 : 0;
    const mean = meanOf(slot.group);
    const { level } = answer.question;
    const out: Mark[] = mean !== undefined && columns ? columnMarks(slot, i, x, mean, style) : [];
    if (beside > 0) out.push(readingMarks(slot, i, x - beside, half * 0.5, pointSize(style, unit, half), style));
    out.push(...errorBar(slot, i, x + beside, style, level));
    if (mean !== undefined && !columns)
      out.push(meanPoint(slot, i, x + beside, mean, style.meanPt ?? Math.min(style.fontPt * 0.95, unit * half * 0.6)));
    if (mean !== undefined) {
      const bar = drawnEnds(slot, style, level) ?? { low: mean, high: mean };
      const shown = style.readings ? valuesOf(slot.group) : [];
      const ends = { low: leastOf([bar.low, ...shown]), high: mostOf([bar.high, ...shown]) };
      const text = fixed(mean, meanDecimals(slot.group));
      out.push(...valueLabel(text, columns ? x : x + beside, mean, ends, style));
    }
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
    const wide = halfWidth(slot, style, style.readings ? 0.4 : 0.6) * (style.readings && style.columnWidth ? 0.6 : 1);
    const rule = (x1: number, y1: number, x2: number, y2: number, weight: number, name: string, of = ink): Mark => ({
      mark: 'rule',
      x1,
      y1,
      x2,
      y2,
      ink: of,
      weight,
      name,
    });
    const size = pointSize(style, unit, half);
    return [
      ...filled(style, ink, [x - wide, q1, x + wide, q3], `box-${i}`),
      rule(x - wide, middle, x + wide, middle, 2.4, `median-${i}`, style.fill === 'solid' ? 'ink' : ink),
      rule(x, low, x, q1, 1.2, `whisker-${i}`),
      rule(x, q3, x, high, 1.2, `whisker-${i}`),
      ...(style.readings
        ? [
            readingMarks(slot, i, slot.x - half * 0.4, half * 0.42, size, style),
            ...beyondNames(answer, style, beyond, slot.x - half * 0.4, place),
          ]
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
        ...(mean === undefined ? [] : [meanPoint(slot, i, beside, mean, style.meanPt ?? style.fontPt * 0.85)]),
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
              ...readingMarks(
                slot,
                slots.indexOf(slot),
                slot.x - 0.06,
                slot.half * 0.2,
                pointSize(style, unit, 0.25),
                style,
              ),
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
        meanPoint(slot, i, slot.x, mean, style.meanPt ?? style.fontPt * 0.9),
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
  const scaled = answer.logs && given.log === undefined && given.marks !== 'columns' ? { ...given, log: true } : given;
  // Only means can stand as columns: what is chosen for columns touches no other kind.
  const style: FigureStyle = kind === 'means' ? scaled : { ...scaled, marks: 'points' };
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
  const bars = kind === 'boxes' ? [] : slots.flatMap((s) => drawnEnds(s, style, level) ?? []);
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
  // A mean written above its column takes a line of its own.
  if (fromZero && style.valueLabels && values.length > 0)
    values.push(mostOf(values) + 0.07 * (mostOf(values) - Math.min(0, leastOf(values))));
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
