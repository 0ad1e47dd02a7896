/** The same readings looked at otherwise: boxes, histograms, normal quantile plots; what differs stays beside them. */
import { there } from '../numeric/there';
import { nth } from '../numeric/nth';
import { groupLook } from '../drawing/marker';
import { bin } from 'd3-array';
import type { Answer, GroupPart } from '../answer/answer';
import { valuesOf } from '../answer/group-part';
import { cellsOf } from '../answer/ratios';
import { differencesOf } from '../answer/pairing';
import { attempt } from '../numeric/domain-error';
import { quantilePlot } from '../procedures/quantile-plot';
import type { Reading } from '../readings/read-column';
import { withUnit } from '../readings/table';
import { type LookOptions, besideDifferences } from './beside-differences';
import { beyondOf, boxOf } from './box';
import { boxMarks } from './box-marks';
import { type Frame, namedRows, pointKey } from './group-rows';
import { meanText, pointTitle, readingText } from './told-values';
import { changesOf, changesPanel, changesTold } from './changes-look';
import { type Along, namesBeyond } from './names-beyond';
import type { View } from './views';
import { band, bar, dot, dots, label, rows, rule } from '../drawing/marks';
import { type Mark, type Panel, type Scene, extent } from '../drawing/scene';

interface Shown {
  name: string;
  colour: number;
  marker?: number;
  values: readonly number[];
}
type ShownGroup = Shown & { group: GroupPart };

/** What is looked at: the groups, or the cells of two factors. */
function shownOf(answer: Answer): ShownGroup[] {
  const parts: readonly GroupPart[] = answer.layout ? cellsOf(answer) : answer.groups;
  return parts
    .map((group) => ({
      group,
      name: group.name,
      colour: group.colour,
      ...(group.marker === undefined ? {} : { marker: group.marker }),
      values: valuesOf(group),
    }))
    .filter((g) => g.values.length > 0)
    .slice(0, 24);
}

const title = (answer: Answer): string => withUnit(answer.measure || 'reading', answer.unit);
const namesOf = (shown: readonly Shown[]): string => shown.map((s) => s.name).join(', ');

/** The readings beyond the whiskers, each a point that leads to its row, with its name where there is room for it. */
function beyondMarks(
  { group, name, colour }: ShownGroup,
  beyond: readonly Reading[],
  y: number,
  names: Answer['rowNames'],
  along: Along,
  width: number,
): Mark[] {
  const points = beyond.map((reading) => ({
    at: reading.value,
    title: pointTitle(reading, group, names, name),
    key: pointKey(group.id, reading.row),
    cells: (reading.rows ?? [reading.row]).map((row) => ({ column: group.column, row })),
  }));
  return [
    dots(points, y, { room: 0.1, ...groupLook(group), size: 7, name: `beyond-${colour}` }),
    ...namesBeyond(group, y, names, along, width),
  ];
}

/** Rows with a box each: quartiles and median, whiskers to the last reading within 1.5 IQR, what lies beyond as points. */
function boxPanel(answer: Answer, shown: readonly ShownGroup[], frame: Frame): Panel {
  const domain = extent(shown.flatMap((s) => s.values));
  const along: Along = { domain, nice: true, ticks: 7 };
  const { frame: inner, names } = namedRows(
    frame,
    shown.map((one) => ({ name: one.name, group: one })),
    0.38,
  );
  const marks = shown.flatMap((one, i): Mark[] => {
    const box = boxOf(one.values);
    const y = i + 0.09;
    return [
      ...boxMarks(box, y, 0.21, { ink: { group: one.colour }, name: String(i) }),
      ...beyondMarks(one, beyondOf(box, one.group.readings.used), y, answer.rowNames, along, inner.width),
    ];
  });
  return {
    ...inner,
    x: { ...along, domain, drawn: true, title: title(answer) },
    y: rows(shown.length),
    marks: [...marks, ...names],
  };
}

/** A histogram for each group on one axis, one above the other. */
function histogramPanels(answer: Answer, shown: readonly Shown[], frame: Frame): Panel[] {
  // Room for the numbers of one above those of the next.
  const gap = 15;
  const each = (frame.height - gap * (shown.length - 1)) / Math.max(1, shown.length);
  const domain = extent(shown.flatMap((s) => s.values));
  const most = Math.max(...shown.map((s) => s.values.length), 1);
  const binned = shown.map((s) =>
    bin()
      .domain(domain)
      .thresholds(Math.max(5, Math.ceil(Math.sqrt(most) * 1.5)))(s.values),
  );
  const highest = Math.max(1, ...binned.flat().map((b) => b.length));
  // Their counts stand left of the axis.
  const left = frame.left + 14;
  return shown.map(({ name, colour }, i) => ({
    left,
    top: frame.top + i * (each + gap),
    width: frame.width - 14,
    height: each,
    x: { domain, drawn: i === shown.length - 1, title: title(answer), ticks: 7 },
    y: { domain: [0, highest * 1.05], drawn: each > 20, ticks: 2 },
    marks: [
      ...nth(binned, i).map((b) =>
        bar(there(b.x0, 'end'), 0, there(b.x1, 'end'), b.length, { ink: { group: colour }, tint: 0.5 }),
      ),
      rule(-Infinity, 0, Infinity, 0),
      label(name, Infinity, Infinity, { dy: 10, anchor: 'end', bold: true, halo: true }),
    ],
  }));
}

/** A normal quantile plot each, with the band normal samples of its size keep to. */
function quantilePanels(shown: readonly Shown[], columns: number, frame: Frame): Panel[] {
  const rows = Math.ceil(shown.length / columns);
  const side = frame.width / columns;
  const between = 62;
  const each = (frame.height - between * (rows - 1)) / Math.max(1, rows);
  return shown.flatMap((one, i): Panel[] => {
    const { name, values } = one;
    const plot = attempt(() => quantilePlot(values.slice(0, 1000), 0.95, 1, 200));
    if (!plot.ok) return [];
    const { expected, observed, low, high } = plot.value;
    return [
      {
        left: frame.left + 16 + (i % columns) * side,
        top: frame.top + Math.floor(i / columns) * (each + between),
        width: side - 40,
        height: each,
        x: { domain: extent(expected, 0.08), drawn: true, title: 'normal score (SD)', ticks: 5 },
        y: {
          domain: extent([...observed, ...low, ...high]),
          drawn: each > 16,
          ticks: each > 90 ? 5 : each > 40 ? 2 : 1,
        },
        marks: [
          band(expected, low, high, { ink: 'muted', fill: 0.18, name: 'band' }),
          label(name, -Infinity, Infinity, { dy: -9, bold: true }),
          ...observed.map((o, k) =>
            dot(nth(expected, k), o, { ...groupLook(one), size: 6, title: `${name}: ${readingText(o)}` }),
          ),
        ],
      },
    ];
  });
}

interface Shapes {
  panels: (frame: Frame) => Panel[];
  /** The rows they take, how high each is, and how high all may get. */
  rows: { count: number; pitch: number; most?: number };
  alt: string;
}

/**
 * The readings as boxes, histograms, quantile plots or changes, wherever they are to stand.
 * @param from what changes are taken from
 */
export function shapesOf(answer: Answer, view: Exclude<View, 'points'>, from?: string): Shapes {
  const shown = shownOf(answer);
  const measure = answer.measure || 'the measure';
  if (view === 'box')
    return {
      panels: (frame) => [boxPanel(answer, shown, frame)],
      rows: { count: shown.length, pitch: 52 },
      alt: `Box plots of ${measure}: ${shown.map((s) => `${s.name}, median ${meanText(boxOf(s.values).median, s.group)}`).join('; ')}. Boxes are quartiles, whiskers reach to the last reading within 1.5 interquartile ranges, points lie beyond.`,
    };
  if (view === 'histogram')
    return {
      panels: (frame) => histogramPanels(answer, shown, frame),
      rows: { count: shown.length, pitch: shown.length > 4 ? 60 : 90 },
      alt: `Histograms of ${measure}, one for each of ${namesOf(shown)}.`,
    };
  const changes = view === 'change' ? changesOf(answer, from) : undefined;
  if (changes)
    return {
      panels: (frame) => [changesPanel(answer, changes, frame)],
      rows: { count: changes.by.length, pitch: 56 },
      alt: changesTold(answer, changes),
    };
  const pairs = answer.comparison.ok ? answer.comparison.value.pairing : undefined;
  const plots = [
    ...(pairs ? [{ name: 'differences within pairs', colour: 5, values: differencesOf(pairs) }] : []),
    ...shown,
  ].slice(0, 6);
  const columns = Math.max(1, Math.min(2, plots.length));
  return {
    panels: (frame) => quantilePanels(plots, columns, frame),
    rows: { count: Math.ceil(plots.length / columns), pitch: 200, most: 640 },
    alt: `Normal quantile plots of ${namesOf(plots)}, each with the band that 95 % of normal samples keep to.`,
  };
}

/** The readings looked at so, what differs beside them. */
export function viewScene(answer: Answer, view: Exclude<View, 'points'>, width: number, options: LookOptions): Scene {
  const { panels, rows, alt } = shapesOf(answer, view, options.from);
  return besideDifferences(answer, width, options, panels, rows, alt);
}
