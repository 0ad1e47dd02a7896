import * as v from 'valibot';

const size = (least: number, most: number, what: string) =>
  v.pipe(
    v.number(`${what} must be a number.`),
    v.minValue(least, `${what} must be at least ${least}.`),
    v.maxValue(most, `${what} must be at most ${most}.`),
  );

/** How a figure is drawn. What it shows comes from its question's answer and is not kept here. */
export const FigureStyle = v.object({
  marks: v.picklist(['columns', 'points']),
  bars: v.picklist(['sd', 'sem', 'interval']),
  /** Whether every reading is drawn over its group's mean. */
  readings: v.boolean(),
  widthMm: size(30, 250, 'The width in millimetres'),
  heightMm: size(30, 250, 'The height in millimetres'),
  fontPt: size(5, 14, 'The text size in points'),
});
export type FigureStyle = v.InferOutput<typeof FigureStyle>;

export const defaultFigureStyle: FigureStyle = {
  marks: 'columns',
  bars: 'interval',
  readings: true,
  widthMm: 85,
  heightMm: 75,
  fontPt: 8,
};
