/** The same readings looked at otherwise: boxes, histograms, normal quantile plots. */
import { bin } from 'd3-array';
import type { Answer, GroupPart } from '../answer/answer';
import { valuesOf } from '../answer/group-part';
import { cellsOf } from '../answer/ratios';
import { differencesOf } from '../answer/pairing';
import { attempt } from '../numeric/domain-error';
import { quantilePlot } from '../procedures/quantile-plot';
import { withUnit } from '../readings/table';
import { boxOf } from './box';
import { nameMarks, shownValues } from './group-rows';
import type { View } from './views';
import { type Mark, type Panel, type Scene, extent } from './scene';

interface Shown {
  name: string;
  colour: number;
  values: readonly number[];
}

/** What is looked at: the groups, the cells of two factors, and the differences of pairs beside them. */
function shownOf(answer: Answer): Shown[] {
  const parts: GroupPart[] = answer.layout ? cellsOf(answer) : answer.groups;
  const groups = parts.map((g) => ({ name: g.name, colour: g.colour, values: valuesOf(g) }));
  return groups.filter((g) => g.values.length > 0).slice(0, 24);
}

const title = (answer: Answer): string => withUnit(answer.measure || 'reading', answer.unit);

/** Rows with a box each: quartiles and median, whiskers to the last reading within 1.5 IQR, what lies beyond as points. */
function boxes(answer: Answer, width: number): Scene {
  const shown = shownOf(answer);
  const plotHeight = Math.min(420, Math.max(150, shown.length * 52));
  const marks: Mark[] = shown.flatMap(({ name, colour, values }, i): Mark[] => {
    const { q1, median: middle, q3, low, high, beyond } = boxOf(values);
    const ink = { group: colour };
    const rule = (x1: number, y1: number, x2: number, y2: number, weight: number): Mark => ({
      mark: 'rule',
      x1,
      y1,
      x2,
      y2,
      ink,
      weight,
    });
    return [
      { mark: 'bar', x1: q1, y1: i - 0.12, x2: q3, y2: i + 0.3, ink, tint: 0.2, name: `box-${i}` },
      rule(q1, i - 0.12, q1, i + 0.3, 1.5),
      rule(q3, i - 0.12, q3, i + 0.3, 1.5),
      rule(middle, i - 0.16, middle, i + 0.34, 3),
      rule(low, i + 0.09, q1, i + 0.09, 1.5),
      rule(q3, i + 0.09, high, i + 0.09, 1.5),
      {
        mark: 'dots',
        points: beyond.map((x) => ({ at: x, title: `${name}: ${x}` })),
        along: 'x',
        centre: i + 0.09,
        room: 0.1,
        ink,
        shape: colour,
        size: 7,
      },
      ...nameMarks(name, colour, i - 0.38),
    ];
  });
  return {
    width,
    height: plotHeight + 60,
    fontSize: 13,
    lineWeight: 1,
    alt: `Box plots of ${answer.measure || 'the measure'}: ${shown.map((s) => `${s.name}, median ${boxOf(s.values).median}`).join('; ')}. Boxes are quartiles, whiskers reach to the last reading within 1.5 interquartile ranges.`,
    panels: [
      {
        left: 26,
        top: 12,
        width: width - 52,
        height: plotHeight,
        x: { domain: extent(shown.flatMap((s) => s.values)), nice: true, drawn: true, title: title(answer), ticks: 7 },
        y: { domain: [-0.62, shown.length - 0.5], drawn: false, down: true },
        marks,
      },
    ],
  };
}

/** A histogram for each group on one axis, one above the other. */
function histograms(answer: Answer, width: number): Scene {
  const shown = shownOf(answer);
  const each = Math.min(92, Math.max(44, 330 / Math.max(1, shown.length)));
  const domain = extent([...shown.flatMap((s) => s.values), ...shownValues([])]);
  const most = Math.max(...shown.map((s) => s.values.length), 1);
  const binned = shown.map((s) =>
    bin()
      .domain(domain)
      .thresholds(Math.max(5, Math.ceil(Math.sqrt(most) * 1.5)))(s.values),
  );
  const highest = Math.max(1, ...binned.flat().map((b) => b.length));
  const panels = shown.map(({ name, colour }, i): Panel => ({
    left: 40,
    top: 14 + i * (each + 8),
    width: width - 66,
    height: each,
    x: { domain, drawn: i === shown.length - 1, title: title(answer), ticks: 7 },
    y: { domain: [0, highest * 1.05], drawn: true, ticks: 2 },
    marks: [
      ...(binned[i] ?? []).map((b): Mark => ({
        mark: 'bar',
        x1: b.x0 ?? 0,
        y1: 0,
        x2: b.x1 ?? 0,
        y2: b.length,
        ink: { group: colour },
        tint: 0.5,
      })),
      { mark: 'rule', x1: -Infinity, y1: 0, x2: Infinity, y2: 0, ink: 'ink' },
      {
        mark: 'text',
        x: Infinity,
        y: Infinity,
        dy: 10,
        anchor: 'end',
        text: name,
        bold: true,
        halo: true,
        ink: { group: colour },
      },
    ],
  }));
  return {
    width,
    height: 14 + shown.length * (each + 8) + 44,
    fontSize: 13,
    lineWeight: 1,
    alt: `Histograms of ${answer.measure || 'the measure'}, one for each of ${shown.map((s) => s.name).join(', ')}.`,
    panels,
  };
}

/** A normal quantile plot for each group, with the band normal samples of its size keep to. */
function quantiles(answer: Answer, width: number): Scene {
  const pairs = answer.comparison.ok ? answer.comparison.value.pairing : undefined;
  const shown = [
    ...(pairs ? [{ name: 'differences within pairs', colour: 5, values: differencesOf(pairs) }] : []),
    ...shownOf(answer),
  ].slice(0, 6);
  const columns = Math.min(3, shown.length);
  const side = (width - 30) / Math.max(1, columns);
  const each = Math.min(210, side * 0.8);
  const panels = shown.flatMap(({ name, colour, values }, i): Panel[] => {
    const plot = attempt(() => quantilePlot(values.slice(0, 1000), 0.95, 1, 200));
    if (!plot.ok) return [];
    const { expected, observed, low, high } = plot.value;
    const band = [
      ...expected.map((e, k) => [e, high[k] ?? 0] as const),
      ...expected.map((e, k) => [e, low[k] ?? 0] as const).reverse(),
    ];
    return [
      {
        left: 46 + (i % columns) * side,
        top: 26 + Math.floor(i / columns) * (each + 70),
        width: side - 58,
        height: each,
        x: { domain: extent(expected, 0.08), drawn: true, title: 'expected of a normal sample (SD)', ticks: 5 },
        y: { domain: extent([...observed, ...low, ...high]), drawn: true, ticks: 5 },
        marks: [
          { mark: 'path', points: band, ink: 'muted', fill: 0.18, name: 'band' },
          { mark: 'text', x: -Infinity, y: Infinity, dy: -9, text: name, bold: true },
          ...observed.map((o, k): Mark => ({
            mark: 'dots',
            points: [{ at: expected[k] ?? 0, title: `${name}: ${o}` }],
            along: 'x',
            centre: o,
            room: 0,
            ink: { group: colour },
            shape: colour,
            size: 6,
          })),
        ],
      },
    ];
  });
  const rows = Math.ceil(shown.length / columns);
  return {
    width,
    height: 30 + rows * (each + 70),
    fontSize: 13,
    lineWeight: 1,
    alt: `Normal quantile plots of ${shown.map((s) => s.name).join(', ')}, each with the band that 95 % of normal samples keep to.`,
    panels,
  };
}

/** The readings as boxes, histograms or quantile plots. */
export function viewScene(answer: Answer, view: Exclude<View, 'points'>, width: number): Scene {
  return { box: boxes, histogram: histograms, quantile: quantiles }[view](answer, width);
}
