import { type ScaleLinear, scaleLinear, scaleLog } from 'd3-scale';
import { titleDrop, titleLeading, titleLines } from '../core/drawing/axis-title';
import type { Drawing, Shape } from '../core/drawing/drawing';
import type { Axis, Mark, Panel, Point, Scene } from '../core/drawing/scene';
import { logTicks } from '../core/drawing/log-ticks';
import { textWidth } from '../core/drawing/text-width';
import { logTickLabel, tickLabels } from '../core/drawing/tick-labels';
import { markerPath } from './markers';
import { silhouette, swarm } from './swarm';

type Scale = ScaleLinear<number, number>;

/** More points than this are drawn small and as one shape, crowding where they crowd: still every one, but not each by name. */
const many = 600;

function scaleOf(axis: Axis, from: number, to: number): Scale {
  if (axis.log) {
    const log = scaleLog().domain(axis.domain).range([from, to]);
    log.ticks = (count = 5) => logTicks(log.domain(), count);
    return log;
  }
  const scale = scaleLinear().domain(axis.domain).range([from, to]);
  return axis.nice ? scale.nice(axis.ticks ?? 5) : scale;
}

/** A scale that also takes ±Infinity, for the ends of the plotting area. */
const place = (scale: Scale, value: number): number => {
  const [from = 0, to = 0] = scale.range();
  if (value === Infinity) return to;
  if (value === -Infinity) return from;
  return scale(value);
};

/** A tick with its label. */
interface Tick {
  at: number;
  text: string;
}

const ticksOf = (scale: Scale, { log }: Axis, count: number): Tick[] => {
  const ticks = scale.ticks(count);
  const texts = log ? ticks.map(logTickLabel) : tickLabels(ticks);
  return ticks.map((at, i) => ({ at, text: texts[i] ?? '' }));
};

const crowds = new WeakMap<readonly Point[], { key: string; shapes: Shape[] }>();

/** The shapes of dots; a crowd that stands where it stood is not drawn anew. */
function dots(mark: Extract<Mark, { mark: 'dots' }>, x: Scale, y: Scale): Shape[] {
  if (mark.points.length <= many) return dotsAt(mark, x, y);
  const { points, ...rest } = mark;
  const key = JSON.stringify([rest, x.domain(), x.range(), y.domain(), y.range()]);
  const before = crowds.get(points);
  if (before?.key === key) return before.shapes;
  const shapes = dotsAt(mark, x, y);
  crowds.set(points, { key, shapes });
  return shapes;
}

function dotsAt(mark: Extract<Mark, { mark: 'dots' }>, x: Scale, y: Scale): Shape[] {
  const horizontal = mark.along === 'x';
  const [main, cross] = horizontal ? [x, y] : [y, x];
  const centre = place(cross, mark.centre);
  const room = Math.abs(cross(mark.room) - cross(0));
  const along = mark.points.map((p) => place(main, p.at));
  const growing = cross(1) > cross(0);
  const side = mark.side && ((growing ? mark.side : -mark.side) as 1 | -1);
  // Points with places of their own on both axes stand there, whatever they cover.
  const free = mark.points.some((p) => p.across !== undefined);
  const sideways = free
    ? []
    : mark.points.length > many
      ? silhouette(along, 3, room * 0.85, side)
      : swarm(along, mark.size * 1.02, room, side);
  const places = along.map((a, i) => {
    const own = mark.points[i]?.across;
    const across = own === undefined ? centre + (sideways[i] ?? 0) : place(cross, own);
    return horizontal ? { x: a, y: across } : { x: across, y: a };
  });
  const base = {
    shape: 'path' as const,
    ink: mark.ink,
    filled: !mark.hollow,
    weight: mark.hollow ? 1.25 : 0,
    ...(mark.name ? { name: mark.name } : {}),
  };
  const single = (at: { x: number; y: number }, i: number): Shape => {
    const { title, cells, ink, shape, hollow, key } = mark.points[i] ?? {};
    return {
      ...base,
      ...(ink ? { ink } : {}),
      ...(hollow ? { filled: false, weight: 1.25 } : {}),
      ...(key ? { key } : {}),
      d: markerPath(shape ?? mark.shape, [at], mark.size),
      ...(title ? { title } : {}),
      ...(cells ? { cells } : {}),
    };
  };
  if (mark.points.length <= many) return places.map(single);
  const ends = endmost(along, 8);
  const crowd = apartInSight(places.filter((_, i) => !ends.has(i)));
  return [
    ...inPieces(crowd).map((piece): Shape => ({ ...base, d: markerPath(mark.shape, piece, mark.size / 2, 1) })),
    ...[...ends].flatMap((i) => (places[i] ? [single(places[i], i)] : [])),
  ];
}

/** Places to a unit and a half, each once: of points that fall on one another the eye sees one. */
function apartInSight(places: readonly { x: number; y: number }[]): { x: number; y: number }[] {
  const seen = new Map<number, { x: number; y: number }>();
  for (const at of places) {
    const key = Math.round(at.x / 1.5) * 65_536 + Math.round(at.y / 1.5);
    if (!seen.has(key)) seen.set(key, at);
  }
  return [...seen.values()];
}

/** A crowd in neighbours from left to right: a path of thousands takes a browser far longer to paint than many of a few. */
function inPieces(places: readonly { x: number; y: number }[], size = 128): { x: number; y: number }[][] {
  const sorted = [...places].sort((a, b) => a.x - b.x || a.y - b.y);
  return Array.from({ length: Math.ceil(sorted.length / size) }, (_, i) => sorted.slice(i * size, (i + 1) * size));
}

/** The points at either end of a crowd, so many each: the unusual ones stay points that can be named and chosen. */
function endmost(along: readonly number[], count: number): Set<number> {
  const order = along.map((_, i) => i).sort((i, j) => (along[i] ?? 0) - (along[j] ?? 0));
  return new Set([...order.slice(0, count), ...order.slice(-count)]);
}

function shapesOf(mark: Mark, x: Scale, y: Scale, scene: Scene): Shape[] {
  switch (mark.mark) {
    case 'dots':
      return dots(mark, x, y);
    case 'bar': {
      const [x1, x2, y1, y2] = [place(x, mark.x1), place(x, mark.x2), place(y, mark.y1), place(y, mark.y2)];
      return [
        {
          shape: 'rect',
          x: Math.min(x1, x2),
          y: Math.min(y1, y2),
          width: Math.abs(x2 - x1),
          height: Math.abs(y2 - y1),
          ink: mark.ink,
          tint: mark.tint ?? 1,
          ...(mark.name ? { name: mark.name } : {}),
        },
      ];
    }
    case 'rule': {
      const [x1, x2, y1, y2] = [place(x, mark.x1), place(x, mark.x2), place(y, mark.y1), place(y, mark.y2)];
      const weight = (mark.weight ?? 1) * scene.lineWeight;
      const line = { shape: 'line' as const, x1, y1, x2, y2, ink: mark.ink, weight };
      const out: Shape[] = [
        { ...line, ...(mark.dash ? { dash: true } : {}), ...(mark.name ? { name: mark.name } : {}) },
      ];
      if (mark.caps) {
        const length = Math.hypot(x2 - x1, y2 - y1) || 1;
        const [dx, dy] = [(-(y2 - y1) / length) * (mark.caps / 2), ((x2 - x1) / length) * (mark.caps / 2)];
        // An end without end has no cap: the line runs out of the picture.
        const ends = [
          [x1, y1, mark.x1, mark.y1],
          [x2, y2, mark.x2, mark.y2],
        ] as const;
        for (const [cx, cy, ...at] of ends)
          if (at.every(Number.isFinite)) out.push({ ...line, x1: cx - dx, y1: cy - dy, x2: cx + dx, y2: cy + dy });
      }
      return out;
    }
    case 'path': {
      const at = ([px, py]: readonly [number, number]): string =>
        `${place(x, px).toFixed(2)},${place(y, py).toFixed(2)}`;
      const area = mark.fill !== undefined;
      return [
        {
          shape: 'path',
          d: `M${mark.points.map(at).join('L')}${area ? 'Z' : ''}`,
          ink: mark.ink,
          filled: area,
          weight: area ? 0 : (mark.weight ?? 1) * scene.lineWeight,
          ...(mark.fill === undefined ? { open: true } : { tint: mark.fill }),
          ...(mark.dash ? { dash: true } : {}),
          ...(mark.name ? { name: mark.name } : {}),
          ...(mark.title ? { title: mark.title } : {}),
        },
      ];
    }
    case 'text':
      return [
        {
          shape: 'text',
          x: place(x, mark.x) + (mark.dx ?? 0),
          y: place(y, mark.y) + (mark.dy ?? 0),
          text: mark.text,
          size: mark.size ?? scene.fontSize,
          anchor: mark.anchor ?? 'start',
          ink: mark.ink ?? 'ink',
          bold: mark.bold ?? false,
          ...(mark.halo ? { halo: true } : {}),
          ...(mark.turn ? { turn: mark.turn } : {}),
          ...(mark.name ? { name: mark.name } : {}),
        },
      ];
  }
}

function bottomAxis(panel: Panel, scale: Scale, { fontSize, lineWeight, width }: Scene): Shape[] {
  const y = panel.top + panel.height;
  const [left, right] = [panel.left, panel.left + panel.width];
  // A label stands at its tick; one that would reach far beyond the axis is drawn in.
  const reach = fontSize * 1.3;
  const [first, last] = [Math.max(0, left - reach), Math.min(width, right + reach)];
  const labelled = (count: number) =>
    ticksOf(scale, panel.x, count).map(({ at, text }) => {
      const half = textWidth(text, fontSize) / 2;
      return { at, text, half, x: Math.max(first + half, Math.min(last - half, scale(at))) };
    });
  let count = panel.x.ticks ?? 5;
  let ticks = labelled(count);
  // Fewer ticks until no two labels come near each other.
  const crowded = (): boolean =>
    ticks.some(({ x, half }, i) => {
      const next = ticks[i + 1];
      return next !== undefined && next.x - next.half - (x + half) < fontSize;
    });
  while (count > 1 && crowded()) ticks = labelled((count -= 1));
  const shapes: Shape[] = [
    { shape: 'line', x1: left, y1: y, x2: right, y2: y, ink: 'ink', weight: lineWeight, name: 'x-axis' },
  ];
  const words = (text: string, x: number, dy: number, ink: 'ink' | 'muted'): Shape => ({
    ...(ink === 'ink' ? { name: 'x-title' } : {}),
    shape: 'text',
    x,
    y: y + dy,
    text,
    size: fontSize,
    anchor: 'middle',
    ink,
    bold: false,
  });
  for (const { at, text, x } of ticks) {
    const there = scale(at);
    shapes.push({
      shape: 'line',
      x1: there,
      y1: y,
      x2: there,
      y2: y + fontSize * 0.35,
      ink: 'ink',
      weight: lineWeight,
    });
    shapes.push(words(text, x, fontSize * 1.35, 'muted'));
  }
  if (panel.x.title)
    titleLines(panel.x.title, fontSize, panel.width).forEach((line, k) =>
      shapes.push(words(line, (left + right) / 2, fontSize * (titleDrop + titleLeading * k), 'ink')),
    );
  return shapes;
}

function leftAxis(panel: Panel, scale: Scale, { fontSize, lineWeight }: Scene): Shape[] {
  const x = panel.left;
  const [top, bottom] = [panel.top, panel.top + panel.height];
  const ticks = ticksOf(scale, panel.y, panel.y.ticks ?? 5);
  const shapes: Shape[] = [
    { shape: 'line', x1: x, y1: top, x2: x, y2: bottom, ink: 'ink', weight: lineWeight, name: 'y-axis' },
  ];
  for (const { at, text } of ticks) {
    const y = scale(at);
    shapes.push({ shape: 'line', x1: x - fontSize * 0.35, y1: y, x2: x, y2: y, ink: 'ink', weight: lineWeight });
    shapes.push({
      shape: 'text',
      x: x - fontSize * 0.55,
      y: y + fontSize * 0.34,
      text,
      size: fontSize,
      anchor: 'end',
      ink: 'ink',
      bold: false,
      name: 'y-axis-number',
    });
  }
  const widest = Math.max(...ticks.map(({ text }) => textWidth(text, fontSize)), 0);
  const title = panel.y.title ? titleLines(panel.y.title, fontSize, bottom - top) : [];
  title.forEach((line, k) =>
    shapes.push({
      shape: 'text',
      x: x - widest - fontSize * (1.1 + 1.15 * (title.length - 1 - k)),
      y: (top + bottom) / 2,
      text: line,
      size: fontSize,
      anchor: 'middle',
      ink: 'ink',
      bold: false,
      turn: -90,
      name: 'y-title',
    }),
  );
  return shapes;
}

/** Lays a scene out: scales, ticks, swarms, labels that thin out where they would touch. */
export function layout(scene: Scene): Drawing {
  const shapes = scene.panels.flatMap((panel) => {
    const x = scaleOf(panel.x, panel.left, panel.left + panel.width);
    const [top, bottom] = [panel.top, panel.top + panel.height];
    const y = panel.y.down ? scaleOf(panel.y, top, bottom) : scaleOf(panel.y, bottom, top);
    return [
      ...panel.marks.flatMap((mark) => shapesOf(mark, x, y, scene)),
      ...(panel.x.drawn ? bottomAxis(panel, x, scene) : []),
      ...(panel.y.drawn ? leftAxis(panel, y, scene) : []),
    ];
  });
  // What moves from drawing to drawing keeps its place among the shapes, so that it can be seen to move.
  const key = (shape: Shape): string => (shape.shape === 'path' ? (shape.key ?? '') : '');
  if (shapes.some(key)) shapes.sort((p, q) => key(p).localeCompare(key(q), 'en', { numeric: true }));
  return { width: scene.width, height: scene.height, shapes, alt: scene.alt };
}
