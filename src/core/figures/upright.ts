/** A figure that stands upright: groups side by side, values upwards, comparisons above, names below. */
import { nth } from '../numeric/nth';
import type { Answer } from '../answer/answer';
import { bare, dot, label, rule, standing } from '../drawing/marks';
import type { Mark, Panel, Scene } from '../drawing/scene';
import { titleLines } from '../drawing/axis-title';
import { type SetLabels, setLabels } from '../drawing/set-labels';
import { shortened, textWidth, wrapped } from '../drawing/text-width';
import { type Band, comparisonBand } from './comparison-band';
import type { FigureStyle } from './figure-style';
import { type Cluster, type Layout, type Series, type Slot, shareOfGroups } from './slots';
import { sizesOf } from './sizes';
import { type Shown, valueAxis } from './value-axis';
import { listed } from '../words/sentences';
import { addTo } from '../numeric/add-to';

/** Margins around the values, in points; panels of one figure share them, so that their axes line up. */
export interface Margins {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** A figure as drawn, and what the person should know of how it differs from what was asked. */
export interface Drawn {
  scene: Scene;
  remarks: string[];
  margins: Margins;
  band: Band['shown'];
}

export interface Upright {
  layout: Layout;
  shown: Shown;
  title: string;
  /** Marks as they lie, values along x; told the room of one unit across, and how values become points. */
  marks: (room: { unit: number; place: (value: number) => number }) => Mark[];
  alt: string;
  /** Whether each level of the second factor has a name under its own slot. */
  slotNames: boolean;
  /** Names at the right, at these values: ends of lines. */
  endNames?: { series: Series; value: number; at: number }[];
  /** Whether comparisons have their place above. */
  band: boolean;
}

const gap = 0.35;

/** Rows of a key, each as wide as the figure lets it be. */
function keyRows(series: readonly Series[], size: number, width: number): { series: Series; x: number }[][] {
  const rows: { series: Series; x: number }[][] = [];
  let x = Infinity;
  for (const s of series) {
    const wide = Math.min(width, textWidth(s.name, size) + size * 2);
    if (x + wide > width) {
      rows.push([]);
      x = 0;
    }
    rows.at(-1)?.push({ series: s, x });
    x += wide + size * 0.6;
  }
  return rows;
}

/** Names at the ends of lines, pushed apart until none touches another. */
function apart(places: readonly number[], least: number): number[] {
  const order = places.map((_, i) => i).sort((i, j) => nth(places, i) - nth(places, j));
  const out = [...places];
  for (let pass = 0; pass < 20; pass++)
    for (let k = 1; k < order.length; k++) {
      const [i = 0, j = 0] = [order[k - 1], order[k]];
      const lacking = least - (nth(out, j) - nth(out, i));
      if (lacking > 0) {
        addTo(out, i, -lacking / 2);
        addTo(out, j, lacking / 2);
      }
    }
  return out;
}

/** The text marks of names set under the axis. */
function labelMarks(
  places: readonly (Cluster | Slot)[],
  set: SetLabels,
  fontSize: number,
  below: number,
  name: string,
): Mark[] {
  return places.flatMap(({ at, look }, i) =>
    (set.lines[i] ?? []).map((text, k) =>
      label(text, at, -Infinity, {
        name: `${name}-${look}`,
        ...(set.turn === 0
          ? { dy: below + fontSize * (1.25 + 1.2 * k), anchor: 'middle' }
          : set.turn === -45
            ? { dx: fontSize * 0.3, dy: below + fontSize * 0.95, anchor: 'end', turn: -45 }
            : { dx: fontSize * 0.34, dy: below + fontSize * 0.55, anchor: 'end', turn: -90 }),
      }),
    ),
  );
}

/** A line of n, one under each name, its letter at the left. */
function sizeMarks(slots: readonly Slot[], fontSize: number, below: number): Mark[] {
  const look = { dy: below + fontSize, name: 'sizes' };
  return [
    label('n', -Infinity, -Infinity, { ...look, dx: -fontSize * 0.5, anchor: 'end' }),
    ...slots.map(({ at, group }) => label(String(group.n), at, -Infinity, { ...look, anchor: 'middle' })),
  ];
}

/** Whether lines end in an ellipsis where the text they show does not. */
const isCut = (lines: readonly string[], text: string): boolean =>
  (lines.at(-1) ?? '').endsWith('…') && !text.endsWith('…');

/** Draws it; `least` are margins it has to keep to at least. */
export function upright(answer: Answer, style: FigureStyle, given: Upright, least?: Partial<Margins>): Drawn {
  const sizes = sizesOf(style);
  const { width, height, fontSize, measured } = sizes;
  const { layout, shown } = given;
  const remarks: string[] = [];
  const axis = valueAxis(shown, style, measured);
  remarks.push(...axis.remarks);
  const clusters = Math.max(given.slotNames || layout.series.length > 0 ? 1 : 2, layout.clusters.length);
  const ends = given.endNames ?? [];
  const endWidth = Math.max(0, ...ends.map((e) => textWidth(e.series.name, measured)));
  // Names at the data must leave half of the width to the values: else they go into a key.
  const direct = style.names !== 'key' && endWidth < width * 0.35;
  const inKey = layout.series.length > 0 && !(direct && (given.slotNames || ends.length > 0));
  const right = Math.max(least?.right ?? 0, direct && ends.length > 0 ? endWidth + fontSize * 0.9 : fontSize * 0.6);

  const title = style.yTitle ?? given.title;
  const xTitle = style.xTitle ?? '';
  /** The rest of the frame, for so many lines of the title at the left. */
  const frameFor = (titleLines: number) => {
    const left = Math.max(least?.left ?? 0, axis.numbers + fontSize * (title ? 2.05 + 1.15 * (titleLines - 1) : 1));
    const plotWidth = Math.max(fontSize * 3, width - left - right);
    const unit = plotWidth / clusters;
    const slotPitch =
      layout.series.length > 0 ? (unit * shareOfGroups(style)) / Math.max(1, layout.series.length) : unit;
    const before = left + unit / 2;
    const slotNames =
      given.slotNames && direct && layout.series.length > 0
        ? setLabels(
            layout.slots.map((s) => layout.series.find((e) => e.id === s.series)?.name ?? ''),
            slotPitch,
            measured,
            height * 0.25,
            left,
          )
        : undefined;
    const clusterNames = setLabels(
      layout.clusters.map((c) => c.name),
      unit,
      measured,
      height * 0.4,
      before,
    );
    const sizesHeight = style.sizes ? fontSize * 1.25 : 0;
    const xLines = xTitle ? wrapped(xTitle, measured, plotWidth) : [];
    const bottom = Math.max(
      least?.bottom ?? 0,
      fontSize * gap + (slotNames?.height ?? 0) + clusterNames.height + sizesHeight + xLines.length * fontSize * 1.2,
    );
    const place = (x: number): number => left + ((x + 0.5) / clusters) * plotWidth;
    const key = inKey ? keyRows(layout.series, measured, width - left - 2) : [];
    const band = given.band
      ? comparisonBand(answer, style, layout.slots, { fontSize, measured, place, width, most: height * 0.42 })
      : undefined;
    const top = Math.max(least?.top ?? 0, fontSize * 0.9 + key.length * fontSize * 1.35 + (band?.height ?? 0));
    const plotHeight = Math.max(fontSize * 4, height - top - bottom);
    return {
      left,
      plotWidth,
      unit,
      slotNames,
      clusterNames,
      xLines,
      sizesHeight,
      bottom,
      place,
      key,
      band,
      top,
      plotHeight,
    };
  };
  let lines = 1;
  let frame = frameFor(1);
  const titleAt = (room: number): string[] => titleLines(title, measured, room);
  for (let pass = 0; pass < 3 && title && titleAt(frame.plotHeight).length !== lines; pass++) {
    lines = titleAt(frame.plotHeight).length;
    frame = frameFor(lines);
  }
  const { left, plotWidth, unit, slotNames, clusterNames, xLines, sizesHeight, bottom, key, band, top, plotHeight } =
    frame;
  remarks.push(...(band?.remarks ?? []));
  if (style.names !== 'key' && !direct)
    remarks.push('The names are too long to stand at the lines: they are in a key.');
  const ruleNames = (style.rules ?? []).map((r) => shortened(r.name, measured, plotWidth));
  const cut = [
    ...(isCut(titleAt(plotHeight), title) ? ['the title of the axis'] : []),
    ...layout.clusters.flatMap(({ name }, i) => (isCut(nth(clusterNames.lines, i), name) ? [`“${name}”`] : [])),
    ...(style.rules ?? []).flatMap(({ name }, i) => (isCut([nth(ruleNames, i)], name) ? [`“${name}”`] : [])),
  ];
  if (cut.length > 0)
    remarks.push(`No room for the whole of ${listed(cut)}: make the figure larger, or the text shorter.`);
  const thinned = clusterNames.lines.filter((l) => l.length === 0).length;
  if (thinned > 0)
    remarks.push(`${thinned} names are left out, as they would touch: make the figure wider, or the text smaller.`);

  const [from, to] = axis.domain;
  const share = (value: number): number =>
    axis.log ? Math.log(value / from) / Math.log(to / from) : (value - from) / (to - from);
  const toPoints = (value: number): number => top + plotHeight * (1 - share(value));
  const x = bare(-0.5, clusters - 0.5);
  const namesHeight = (slotNames?.height ?? 0) + clusterNames.height;
  const base = shown.fromZero && !axis.log ? Math.max(from, Math.min(0, to)) : -Infinity;
  const marks: Mark[] = [
    ...(style.rules ?? []).flatMap(({ at }, i): Mark[] => [
      rule(-Infinity, at, Infinity, at, { ink: 'muted', dash: true, name: `rule-${i}` }),
      label(nth(ruleNames, i), Infinity, at, {
        // Below its line where comparisons stand right above.
        dy: fontSize * (band && band.height > 0 && toPoints(at) < top + fontSize ? 0.95 : -0.3),
        anchor: 'end',
        ink: 'muted',
        halo: true,
        name: `rule-${i}`,
      }),
    ]),
    ...standing(given.marks({ unit, place: toPoints })),
    rule(-Infinity, base, Infinity, base, { name: 'x-axis' }),
    ...(slotNames ? labelMarks(layout.slots, slotNames, fontSize, 0, 'name') : []),
    ...labelMarks(layout.clusters, clusterNames, fontSize, slotNames?.height ?? 0, 'name'),
    ...(style.sizes ? sizeMarks(layout.slots, fontSize, namesHeight) : []),
    ...xLines.map((text, k) =>
      label(text, (clusters - 1) / 2, -Infinity, {
        dy: namesHeight + sizesHeight + fontSize * (1 + 1.2 * k),
        anchor: 'middle',
        name: 'x-title',
      }),
    ),
  ];
  if (direct && ends.length > 0) {
    const wanted = ends.map((e) => toPoints(e.value));
    const set = apart(wanted, fontSize * 1.15);
    ends.forEach(({ series, value, at }, i) =>
      marks.push(
        label(series.name, at, value, {
          dx: fontSize * 0.7,
          dy: nth(set, i) - nth(wanted, i) + fontSize * 0.34,
          bold: true,
          name: `name-${series.look}`,
        }),
      ),
    );
  }
  const panels: Panel[] = [
    {
      left,
      top,
      width: plotWidth,
      height: plotHeight,
      x,
      y: { domain: axis.domain, drawn: true, title, ticks: 5, log: axis.log },
      marks,
    },
  ];
  if (band && band.height > 0)
    panels.push({
      left,
      top: top - band.height,
      width: plotWidth,
      height: band.height,
      x,
      y: bare(0, band.levels),
      marks: band.marks,
    });
  if (key.length > 0)
    panels.push({
      left,
      top: fontSize * 0.5,
      width: plotWidth,
      height: key.length * fontSize * 1.35,
      x: bare(0, plotWidth),
      y: { ...bare(0, key.length), down: true },
      marks: key.flatMap((row, r) =>
        row.flatMap(({ series, x: at }) => {
          const name = `name-${series.look}`;
          return [
            dot(at + fontSize * 0.5, r + 0.45, { ink: series.ink, shape: series.shape, size: fontSize * 0.9, name }),
            label(shortened(series.name, measured, width - left - fontSize * 1.6), at + fontSize * 1.3, r + 0.45, {
              dy: fontSize * 0.34,
              name,
            }),
          ];
        }),
      ),
    });
  return {
    scene: { width, height, fontSize, lineWeight: sizes.lineWeight, alt: given.alt, panels },
    remarks,
    margins: { left, right, top, bottom },
    band: band?.shown ?? 'none',
  };
}
