import { nice, ticks } from 'd3-array';
import type { Answer, GroupPart } from '../answer/answer';
import { attempt } from '../numeric/domain-error';
import { meanInterval } from '../procedures/describe';
import type { Interval } from '../procedures/interval';
import { withUnit } from '../readings/table';
import { type BarKind, barWords } from '../words/two-groups';
import { fixed } from '../words/numbers';
import type { FigureStyle } from './figure-style';
import { type Mark, type Scene, extent } from './scene';
import { textWidth, wrapped } from './text-width';

/** Points of type a millimetre. */
export const pointsPerMm = 72 / 25.4;

/** The ends of a group's error bar, from its own readings; undefined where they do not allow one. */
export function barEnds(group: GroupPart, bars: BarKind, level: number): Interval | undefined {
  const d = group.description;
  if (!d) return undefined;
  if (bars === 'interval') {
    const interval = attempt(() => meanInterval(d, level));
    return interval.ok ? interval.value : undefined;
  }
  const reach = bars === 'sd' ? d.sd : d.sem;
  return reach === undefined ? undefined : { low: d.mean - reach, high: d.mean + reach };
}

/** The error-bar figure of an answer, at true size: its units are points of type, 72 to the inch. */
export function figureScene(answer: Answer, style: FigureStyle): Scene {
  const { groups, question } = answer;
  const width = style.widthMm * pointsPerMm;
  const height = style.heightMm * pointsPerMm;
  const fontSize = style.fontPt;
  const columns = style.marks === 'columns';
  const beside = style.readings ? 0.14 : 0;
  const ends = groups.map((g) => barEnds(g, style.bars, question.level));
  const shown = groups.flatMap((g, i) => [
    ...(style.readings ? g.readings.used.map((r) => r.value) : []),
    ...(g.description ? [g.description.mean] : []),
    ...(ends[i] ? [ends[i].low, ends[i].high] : []),
  ]);
  // A column's length stands for its value, so its axis starts at zero; points may start anywhere.
  const [low, high] = extent(columns ? [0, ...shown] : shown, columns ? 0 : 0.05);
  const [from, to] = nice(low, high, 5);
  const labels = ticks(from, to, 5).map(String);
  const tickRoom = Math.max(...labels.map((l) => textWidth(l, fontSize)), 0);
  const title = withUnit(answer.measure || 'reading', answer.unit);
  const left = fontSize * 2.2 + tickRoom;
  const plotWidth = width - left - fontSize * 0.6;
  const names = groups.map((g) => wrapped(g.name, fontSize, (plotWidth / 2) * 0.94));
  const lines = Math.max(...names.map((n) => n.length));
  const bottom = fontSize * (1.1 + 1.25 * lines);
  const top = fontSize * 0.9;
  const marks: Mark[] = groups.flatMap((group, i): Mark[] => {
    const { description } = group;
    const ink = { group: group.colour };
    const out: Mark[] = [];
    if (description && columns)
      out.push(
        { mark: 'bar', x1: i - 0.32, y1: 0, x2: i + 0.32, y2: description.mean, ink, tint: 0.2, name: `column-${i}` },
        {
          mark: 'rule',
          x1: i - 0.32,
          y1: description.mean,
          x2: i + 0.32,
          y2: description.mean,
          ink,
          weight: 2,
          name: `mean-${i}`,
        },
      );
    if (style.readings)
      out.push({
        mark: 'dots',
        points: group.readings.used.map((r) => ({ at: r.value, title: `${group.name}, row ${r.row + 1}: ${r.value}` })),
        along: 'y',
        centre: i - beside,
        room: 0.2,
        ink,
        shape: group.colour,
        size: fontSize * 0.42,
        name: `readings-${i}`,
      });
    const bar = ends[i];
    // The readings stand to the left of the middle and the error bar to the right, so that neither hides the other.
    const centre = i + beside;
    if (bar)
      out.push({
        mark: 'rule',
        x1: centre,
        y1: bar.low,
        x2: centre,
        y2: bar.high,
        ink: 'ink',
        weight: 1.1,
        caps: fontSize * 0.7,
        name: `error-bar-${i}`,
      });
    if (description && !columns)
      out.push({
        mark: 'dots',
        points: [{ at: description.mean }],
        along: 'y',
        centre,
        room: 0,
        ink,
        shape: group.colour,
        size: fontSize * 0.95,
        name: `mean-${i}`,
      });
    names[i]?.forEach((line, k) =>
      out.push({ mark: 'text', x: i, y: -Infinity, dy: fontSize * (1.5 + 1.25 * k), anchor: 'middle', text: line }),
    );
    return out;
  });
  return {
    width,
    height,
    fontSize,
    lineWeight: 0.75,
    alt: `${title} by group; error bars are ${barWords(style.bars, question.level)}. ${groups
      .map((g) =>
        g.description
          ? `${g.name}: mean ${fixed(g.description.mean, 2)}, n ${g.description.n}`
          : `${g.name}: no readings`,
      )
      .join('; ')}.`,
    panels: [
      {
        left,
        top,
        width: plotWidth,
        height: height - top - bottom,
        x: { domain: [-0.5, 1.5], drawn: false },
        y: { domain: [from, to], drawn: true, title, ticks: 5 },
        marks,
      },
    ],
  };
}
