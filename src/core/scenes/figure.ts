import { nice, ticks } from 'd3-array';
import type { Answer, GroupPart } from '../answer/answer';
import { cellParts, meanOf } from '../answer/group-part';
import { studentT } from '../distributions/t';
import type { Interval } from '../procedures/interval';
import { withUnit } from '../readings/table';
import { type BarKind, barWords } from '../words/report';
import { fixed } from '../words/numbers';
import type { FigureStyle } from './figure-style';
import { type Mark, type Scene, extent } from './scene';
import { textWidth, wrapped } from './text-width';

/** Points of type a millimetre. */
export const pointsPerMm = 72 / 25.4;

/** The ends of a group's error bar, from its own readings; undefined where they do not allow one. */
export function barEnds(group: GroupPart, bars: BarKind, level: number): Interval | undefined {
  const s = group.summary;
  if (!s) return undefined;
  const sem = Math.sqrt(s.variance / s.n);
  const reach =
    bars === 'sd'
      ? Math.sqrt(s.variance)
      : bars === 'sem'
        ? sem
        : sem * studentT(s.n - 1).upperQuantile((1 - level) / 2);
  return { low: s.mean - reach, high: s.mean + reach };
}

/** What stands side by side: the groups, or the cells of two factors. */
const figureParts = (answer: Answer): GroupPart[] =>
  answer.layout ? cellParts(answer.layout, answer.question.level) : answer.groups;

const known = (x: number | undefined): number[] => (x === undefined ? [] : [x]);

/** The error-bar figure of an answer, at true size: its units are points of type, 72 to the inch. */
export function figureScene(answer: Answer, style: FigureStyle): Scene {
  const { question } = answer;
  const groups = figureParts(answer);
  const width = style.widthMm * pointsPerMm;
  const height = style.heightMm * pointsPerMm;
  const fontSize = style.fontPt;
  const columns = style.marks === 'columns';
  const beside = style.readings ? 0.14 : 0;
  const ends = groups.map((g) => barEnds(g, style.bars, question.level));
  const shown = groups.flatMap((g, i) => [
    ...(style.readings ? g.readings.used.map((r) => r.value) : []),
    ...known(meanOf(g)),
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
  const names = groups.map((g) => wrapped(g.name, fontSize, (plotWidth / Math.max(2, groups.length)) * 0.94));
  const lines = Math.max(1, ...names.map((n) => n.length));
  const bottom = fontSize * (1.1 + 1.25 * lines);
  const top = fontSize * 0.9;
  const marks: Mark[] = groups.flatMap((group, i): Mark[] => {
    const mean = meanOf(group);
    const ink = { group: group.colour };
    const out: Mark[] = [];
    if (mean !== undefined && columns)
      out.push(
        { mark: 'bar', x1: i - 0.32, y1: 0, x2: i + 0.32, y2: mean, ink, tint: 0.2, name: `column-${i}` },
        {
          mark: 'rule',
          x1: i - 0.32,
          y1: mean,
          x2: i + 0.32,
          y2: mean,
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
    if (mean !== undefined && !columns)
      out.push({
        mark: 'dots',
        points: [{ at: mean }],
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
      .map((g) => {
        const mean = meanOf(g);
        return mean === undefined ? `${g.name}: no readings` : `${g.name}: mean ${fixed(mean, 2)}, n ${g.n}`;
      })
      .join('; ')}.`,
    panels: [
      {
        left,
        top,
        width: plotWidth,
        height: height - top - bottom,
        x: { domain: [-0.5, Math.max(2, groups.length) - 0.5], drawn: false },
        y: { domain: [from, to], drawn: true, title, ticks: 5 },
        marks,
      },
    ],
  };
}
