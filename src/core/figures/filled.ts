/** Columns and boxes: how wide they are, their outline, and what fills it. */
import type { Interval } from '../procedures/interval';
import { label, rule } from '../drawing/marks';
import type { Mark } from '../drawing/scene';
import { outlined } from '../scenes/box-marks';
import type { FigureStyle } from './figure-style';
import type { Slot } from './slots';

/** Half the width of a column or a box. @param usual what it is of half the room, where nobody chose */
export const halfWidth = (slot: Slot, style: FigureStyle, usual: number): number =>
  style.columnWidth === undefined ? slot.half * usual : (slot.room / 2) * (style.columnWidth / 100);

const tints = { tinted: 0.22, solid: 1, none: 0 } as const;

/** How strongly columns and boxes are filled. */
export const tintOf = ({ fill = 'tinted' }: FigureStyle): number => tints[fill];

/** A column from 0 to a value, with its upper end drawn stronger. */
export function columnMarks(slot: Slot, i: number, at: number, value: number, style: FigureStyle): Mark[] {
  const wide = halfWidth(slot, style, 0.82);
  const { ink } = slot;
  return [
    ...outlined([0, at - wide, value, at + wide], { ink, tint: tintOf(style), name: `column-${i}` }),
    rule(value, at - wide, value, at + wide, { ink, weight: 2, name: `mean-${i}` }),
  ];
}

/** The end of an error bar that a column shows: both, or only the one away from 0. */
export function endsShown(ends: Interval, value: number, { barSide, marks }: FigureStyle): Interval {
  if (barSide !== 'outer' || marks !== 'columns') return ends;
  return value < 0 ? { low: ends.low, high: value } : { low: value, high: ends.high };
}

/** A value written at its place: above its column and error bar, or beside its point. */
export function valueLabel(text: string, at: number, value: number, ends: Interval, style: FigureStyle): Mark[] {
  if (!style.valueLabels) return [];
  const { fontPt } = style;
  const look = { size: fontPt * 0.9, halo: true, name: 'value' };
  const up = value >= 0;
  return style.marks === 'columns'
    ? [label(text, up ? ends.high : ends.low, at, { ...look, dy: fontPt * (up ? -0.45 : 1.15), anchor: 'middle' })]
    : [label(text, value, at, { ...look, dx: fontPt * 0.75, dy: fontPt * 0.34 })];
}
