/** Columns and boxes: how wide they are, their outline, and what fills it. */
import type { Interval } from '../procedures/interval';
import type { Ink, Mark } from '../scenes/scene';
import type { FigureStyle } from './figure-style';
import type { Slot } from './slots';

/** Half the width of a column or a box. @param usual what it is of half the room, where nobody chose */
export const halfWidth = (slot: Slot, style: FigureStyle, usual: number): number =>
  style.columnWidth === undefined ? slot.half * usual : (slot.room / 2) * (style.columnWidth / 100);

const tints = { tinted: 0.22, solid: 1, none: 0 } as const;

/** What columns and boxes are: an outline, and what fills it. */
export function filled(
  style: FigureStyle,
  ink: Ink,
  [x1, y1, x2, y2]: readonly [number, number, number, number],
  name: string,
): Mark[] {
  const tint = tints[style.fill ?? 'tinted'];
  const rule = (...[a, b, c, d]: readonly [number, number, number, number]): Mark => ({
    mark: 'rule',
    x1: a,
    y1: b,
    x2: c,
    y2: d,
    ink,
    weight: 1.2,
    name,
  });
  return [
    ...(tint > 0 ? [{ mark: 'bar' as const, x1, y1, x2, y2, ink, tint, name }] : []),
    rule(x1, y1, x1, y2),
    rule(x2, y1, x2, y2),
    rule(x1, y1, x2, y1),
    rule(x1, y2, x2, y2),
  ];
}

/** A column from 0 to a value, with its upper end drawn stronger. */
export function columnMarks(slot: Slot, i: number, x: number, value: number, style: FigureStyle): Mark[] {
  const wide = halfWidth(slot, style, 0.82);
  const { ink } = slot;
  return [
    ...filled(style, ink, [x - wide, 0, x + wide, value], `column-${i}`),
    { mark: 'rule', x1: x - wide, y1: value, x2: x + wide, y2: value, ink, weight: 2, name: `mean-${i}` },
  ];
}

/** The end of an error bar that a column shows: both, or only the one away from 0. */
export function endsShown(ends: Interval, value: number, { barSide, marks }: FigureStyle): Interval {
  if (barSide !== 'outer' || marks !== 'columns') return ends;
  return value < 0 ? { low: ends.low, high: value } : { low: value, high: ends.high };
}

/** A value written at its place: above its column and error bar, or beside its point. */
export function valueLabel(text: string, x: number, value: number, ends: Interval, style: FigureStyle): Mark[] {
  if (!style.valueLabels) return [];
  const base = { mark: 'text' as const, text, x, size: style.fontPt * 0.9, halo: true, name: 'value' };
  if (style.marks === 'columns')
    return [
      {
        ...base,
        y: value < 0 ? ends.low : ends.high,
        dy: style.fontPt * (value < 0 ? 1.15 : -0.45),
        anchor: 'middle',
      },
    ];
  return [{ ...base, y: value, dx: style.fontPt * 0.75, dy: style.fontPt * 0.34 }];
}
