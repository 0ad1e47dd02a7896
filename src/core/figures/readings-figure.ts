/** Figures of readings: means with error bars, boxes, subjects' lines, cell means joined. */
import { nth } from '../numeric/nth';
import { there } from '../numeric/there';
import { subjectOfReading } from '../readings/factors';
import { sum } from 'd3-array';
import type { Answer } from '../answer/answer';
import { leastOf, mostOf } from '../numeric/extremes';
import { meanOf, valuesOf } from '../answer/group-part';
import { withUnit } from '../readings/table';
import { beyondOf, boxOf, namedBeyond, readingName } from '../scenes/box';
import { boxMarks } from '../scenes/box-marks';
import type { Reading } from '../readings/read-column';
import { random } from '../numeric/random';
import type { Interval } from '../procedures/interval';
import { dot, dots, label, path } from '../drawing/marks';
import type { Ink, Mark } from '../drawing/scene';
import { fixed, meanDecimals } from '../words/numbers';
import { barEnds, barWords, errorBar } from './error-bars';
import type { FigureKind, FigureStyle } from './figure-style';
import { columnMarks, endsShown, halfWidth, tintOf, valueLabel } from './filled';
import { meanTitle, meanTold, pointTitle, readingText } from '../scenes/told-values';
import { type Series, type Slot, slotsOf } from './slots';
import { valued } from '../words/sentences';
import { type Drawn, type Margins, type Upright, upright } from './upright';

const known = (x: number | undefined): number[] => (x === undefined ? [] : [x]);

const valueTitle = (answer: Answer): string => withUnit(answer.measure || 'reading', answer.unit);

/** Every reading of a slot as a point about `at`. */
function readingMarks(slot: Slot, i: number, at: number, room: number, size: number, style: FigureStyle): Mark {
  // By chance, but each time the same: a figure drawn again is the figure that was seen.
  const chance = style.scatter === 'random' ? random(i + 1) : undefined;
  const across = (): number | undefined =>
    chance ? at + (2 * chance.uniform() - 1) * room : style.scatter === 'line' ? at : undefined;
  const points = slot.group.readings.used.map((r) => {
    return {
      at: r.value,
      title: pointTitle(r, slot.group, undefined, slot.name),
      hollow: r.limited === 'censored' || undefined,
      across: across(),
    };
  });
  return dots(points, at, {
    room,
    // On a ground of their own colour they would not be seen.
    ink: style.fill === 'solid' && style.marks === 'columns' ? 'ink' : slot.ink,
    shape: slot.shape,
    size,
    name: `readings-${i}`,
  });
}

/** The ends of a slot's error bar as they are drawn. */
function drawnEnds({ group }: Slot, style: FigureStyle, level: number): Interval | undefined {
  const ends = barEnds(group, style.bars, level);
  const mean = meanOf(group);
  return ends && mean !== undefined ? endsShown(ends, mean, style) : ends;
}

/** A slot's mean upon its error bar. @param pt size of the mean's point where nobody chose; a column has none */
function meanMarks(
  slot: Slot,
  i: number,
  at: number,
  style: FigureStyle,
  level: number,
  { pt, bar = 'ink' }: { pt: number | undefined; bar?: Ink },
): Mark[] {
  const mean = meanOf(slot.group);
  return [
    ...errorBar(drawnEnds(slot, style, level), i, at, style, bar),
    ...(mean === undefined || pt === undefined
      ? []
      : [
          dot(mean, at, {
            ink: slot.ink,
            shape: slot.shape,
            size: style.meanPt ?? pt,
            title: meanTitle(slot.group, slot.name),
            name: `mean-${i}`,
          }),
        ]),
  ];
}

/** Size of a reading's point: smaller where its place is narrow. */
const pointSize = (style: FigureStyle, unit: number, half: number): number =>
  style.readingPt ?? Math.max(1.2, Math.min(style.fontPt * 0.42, unit * half * 0.28));

/** Readings stand to one side of the middle and the error bar to the other, so that neither hides the other. */
function means(answer: Answer, style: FigureStyle, slots: readonly Slot[], unit: number): Mark[] {
  const columns = style.marks === 'columns';
  const { level } = answer.question;
  return slots.flatMap((slot, i): Mark[] => {
    const { at, half } = slot;
    const beside = style.readings && slot.group.readings.used.length > 0 ? half * 0.36 : 0;
    const mean = meanOf(slot.group);
    const out: Mark[] = mean !== undefined && columns ? columnMarks(slot, i, at, mean, style) : [];
    if (beside > 0) out.push(readingMarks(slot, i, at - beside, half * 0.5, pointSize(style, unit, half), style));
    const pt = columns ? undefined : Math.min(style.fontPt * 0.95, unit * half * 0.6);
    out.push(...meanMarks(slot, i, at + beside, style, level, { pt }));
    if (mean !== undefined) {
      const bar = drawnEnds(slot, style, level) ?? { low: mean, high: mean };
      const shown = style.readings ? valuesOf(slot.group) : [];
      const ends = { low: leastOf([bar.low, ...shown]), high: mostOf([bar.high, ...shown]) };
      out.push(...valueLabel(fixed(mean, meanDecimals(slot.group)), columns ? at : at + beside, mean, ends, style));
    }
    return out;
  });
}

/** The names of readings beyond the whiskers, right of their points; one that would touch the one below is left out. */
function beyondNames(
  { rowNames }: Answer,
  style: FigureStyle,
  beyond: readonly Reading[],
  at: number,
  place: (value: number) => number,
): Mark[] {
  const size = style.fontPt * 0.85;
  let free = Infinity;
  return namedBeyond(beyond).flatMap((reading): Mark[] => {
    const { value } = reading;
    if (place(value) + size / 2 > free) return [];
    free = place(value) - size * 0.6;
    return [
      label(readingName(reading, rowNames), value, at, { dx: size * 0.6, dy: size * 0.34, size, name: 'beyond-name' }),
    ];
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
    const beyond = beyondOf(box, slot.group.readings.used);
    const { half, ink, shape } = slot;
    const at = slot.at + (style.readings ? half * 0.3 : 0);
    const wide = halfWidth(slot, style, style.readings ? 0.4 : 0.6) * (style.readings && style.columnWidth ? 0.6 : 1);
    const size = pointSize(style, unit, half);
    const beyondAt = style.readings ? slot.at - half * 0.4 : at;
    const points = beyond.map((r) => ({ at: r.value, title: pointTitle(r, slot.group, undefined, slot.name) }));
    return [
      ...boxMarks(box, at, wide, { ink, tint: tintOf(style), name: String(i) }),
      style.readings
        ? readingMarks(slot, i, beyondAt, half * 0.42, size, style)
        : dots(points, at, { room: half * 0.3, ink, shape, size, name: `beyond-${i}` }),
      ...beyondNames(answer, style, beyond, beyondAt, place),
    ];
  });
}

/** The readings of each subject, as places of slots with their values. */
function subjectsOf(answer: Answer, slots: readonly Slot[]): [number, number][][] {
  const at = (id: string | undefined): number | undefined => slots.find((s) => s.id === id)?.at;
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
    ...subjects.map((points) =>
      path(
        points.map(([at, value]) => [value, at] as const),
        { ink: 'muted', weight: 0.8, name: 'subject' },
      ),
    ),
    ...slots.flatMap((slot, i): Mark[] => {
      const { at, half, ink, shape } = slot;
      // Means stand beside the lines' ends: outwards, so that no line crosses them.
      const side = at <= nth(slots, slots.length - 1).at / 2 ? -1 : 1;
      const beside = at + side * half * (slots.length > 2 ? 0.22 : 0.4);
      const points = subjects.flatMap((s) =>
        s
          .filter(([own]) => own === at)
          .map(([, value]) => ({ at: value, title: `${slot.name}: ${readingText(value)}` })),
      );
      return [
        dots(points, at, { ink, shape, size: pointSize(style, unit, half), name: `readings-${i}` }),
        ...meanMarks(slot, i, beside, style, answer.question.level, { pt: style.fontPt * 0.85 }),
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
    const own = slots.flatMap((slot, i) => (slot.series === s.id ? [{ slot, i, mean: meanOf(slot.group) }] : []));
    const cells = own.flatMap(({ mean, ...cell }) => (mean === undefined ? [] : [{ ...cell, mean }]));
    // Lighter than the means that summarise them.
    const readings = own.map(({ slot, i }) => ({
      ...readingMarks(slot, i, slot.at - 0.06, slot.half * 0.2, pointSize(style, unit, 0.25), style),
      hollow: true,
    }));
    return [
      ...(style.readings ? readings : []),
      path(
        cells.map(({ slot, mean }) => [mean, slot.at] as const),
        { ink: s.ink, weight: 1.8, name: `series-${s.look}` },
      ),
      // Two groups' bars stand beside each other, each in its group's colour.
      ...cells.flatMap(({ slot, i }) =>
        meanMarks(slot, i, slot.at, style, answer.question.level, { pt: style.fontPt * 0.9, bar: slot.ink }),
      ),
    ];
  });
}

const told = (answer: Answer, slots: readonly Slot[]): string =>
  slots
    .map(({ name, group }) => {
      const mean = meanTold(group);
      return mean === undefined ? `${name}: no readings` : `${name}: ${valued(mean, answer.unit)}, n ${group.n}`;
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
          const middle = there(
            plain.clusters.find((c) => c.look.endsWith(`/${slot.cluster}`)),
            'cluster',
          ).at;
          const wide = kind === 'lines' ? 0.3 : dodge;
          return { ...slot, at: middle + (k - (plain.series.length - 1) / 2) * wide, half: 0.25 };
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
          if (!last || value === undefined) return [];
          // Beside the last of its cluster: the readings of another series stand between them.
          const beside = slots.filter((s) => s.cluster === last.cluster).map((s) => s.at);
          return [{ series, value, at: mostOf(beside) }];
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
