import * as v from 'valibot';
import { figureKinds } from '../scenes/figure-kinds';

const size = (least: number, most: number, what: string) =>
  v.pipe(
    v.number(`${what} must be a number.`),
    v.minValue(least, `${what} must be at least ${least}.`),
    v.maxValue(most, `${what} must be at most ${most}.`),
  );
const finite = (what: string) => v.pipe(v.number(`${what} is a number.`), v.finite(`${what} is a number.`));
const words = (most: number) => v.pipe(v.string(), v.maxLength(most, `At most ${most} characters can stand there.`));
const Id = v.pipe(v.string(), v.minLength(1), v.maxLength(420));

export type { FigureKind } from '../scenes/figure-kinds';

/** Colours a group can have: the eight, and ink. */
export const inkColour = 8;

/** How one group is drawn, where it is not drawn as in the readings. */
const GroupLook = v.object({
  name: v.optional(words(200)),
  colour: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(inkColour))),
  shape: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(7))),
});

/** How a figure is drawn. What it shows comes from its question's answer and is not kept here. */
export const FigureStyle = v.object({
  /** The first that fits the question, unless one is chosen. */
  kind: v.optional(v.picklist(figureKinds, `A figure shows one of ${figureKinds.join(', ')}.`)),
  marks: v.picklist(['columns', 'points']),
  bars: v.picklist(['sd', 'sem', 'interval']),
  /** Whether every reading is drawn beside its group's mean. */
  readings: v.boolean(),
  widthMm: size(30, 250, 'The width in millimetres'),
  heightMm: size(30, 250, 'The height in millimetres'),
  fontPt: size(5, 14, 'The text size in points'),
  font: v.optional(v.picklist(['sans', 'serif'])),
  /** Weight of axes and error bars, in points. */
  linePt: v.optional(size(0.25, 3, 'The line weight in points')),
  /** Titles of the axes where they are not those of the readings. */
  yTitle: v.optional(words(200)),
  xTitle: v.optional(words(200)),
  log: v.optional(v.boolean()),
  /** Where the axis of values starts and ends, as far as what is shown lets it. */
  from: v.optional(finite('The start of the axis')),
  to: v.optional(finite('The end of the axis')),
  /** Groups in this order; those not named come after. */
  order: v.optional(v.pipe(v.array(Id), v.maxLength(400))),
  looks: v.optional(v.record(Id, GroupLook)),
  /** Lines across at stated values. */
  rules: v.optional(v.pipe(v.array(v.object({ at: finite('A line’s value'), name: words(80) })), v.maxLength(12))),
  /** How comparisons that were made are shown: brackets with p, letters, or not at all. */
  compared: v.optional(v.picklist(['brackets', 'letters', 'none'])),
  /** Brackets for every comparison made, or only for those that differ. */
  bracketsFor: v.optional(
    // Styles kept before the word was the field's say "apart".
    v.pipe(
      v.picklist(['significant', 'apart', 'all']),
      v.transform((of) => (of === 'apart' ? 'significant' : of)),
    ),
  ),
  /** How a bracket writes its p: in figures, or as asterisks. */
  pAs: v.optional(v.picklist(['exact', 'asterisks'])),
  /** Names of a second factor at the data, or in a key above. */
  names: v.optional(v.picklist(['direct', 'key'])),
  /** Further figures of the study drawn with this one, each as a panel of the same size. */
  beside: v.optional(v.pipe(v.array(Id), v.maxLength(11))),
  /** Panels in a row. */
  across: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(4))),
  panelLetters: v.optional(v.picklist(['capital', 'small', 'none'])),
  /** Whether n of each group stands under its name. */
  sizes: v.optional(v.boolean()),
  /** How columns and boxes are filled. */
  fill: v.optional(v.picklist(['tinted', 'solid', 'none'])),
  /** Sizes of the markers of means and of readings, in points. */
  meanPt: v.optional(size(1, 20, 'The size of a mean in points')),
  readingPt: v.optional(size(0.5, 12, 'The size of a reading in points')),
  /** Width of columns and boxes, in percent of the room each has. */
  columnWidth: v.optional(size(10, 100, 'The width of columns in percent')),
  /** Room between the groups of two factors, in percent of what a group takes. */
  groupGap: v.optional(size(0, 80, 'The room between groups in percent')),
  /** How readings of like value stand: side by side, thrown sideways by chance, or on one another. */
  scatter: v.optional(v.picklist(['packed', 'random', 'line'])),
  /** Error bars of columns to both sides, or only away from 0. */
  barSide: v.optional(v.picklist(['both', 'outer'])),
  /** Whether each mean is written at its place. */
  valueLabels: v.optional(v.boolean()),
  /** What changes of the same subjects are taken from. */
  changeFrom: v.optional(Id),
  /** Whether panels of one unit share the axis of values. */
  sharedScale: v.optional(v.boolean()),
});
export type FigureStyle = v.InferOutput<typeof FigureStyle>;

/** A way to draw figures, kept under a name. */
export interface NamedStyle {
  name: string;
  style: FigureStyle;
}

/** What figures of one paper have in common: size, letters, lines, how means, bars and comparisons are drawn. */
const common = [
  'marks',
  'bars',
  'readings',
  'widthMm',
  'heightMm',
  'fontPt',
  'font',
  'linePt',
  'compared',
  'bracketsFor',
  'pAs',
  'names',
  'sizes',
  'fill',
  'meanPt',
  'readingPt',
  'columnWidth',
  'groupGap',
  'scatter',
  'barSide',
  'valueLabels',
  'panelLetters',
] as const satisfies readonly (keyof FigureStyle)[];

/** What a style has in common with others of one paper. */
export const commonOf = (style: FigureStyle): FigureStyle =>
  Object.fromEntries(
    common.flatMap((key) => (style[key] === undefined ? [] : [[key, style[key]]])),
  ) as unknown as FigureStyle;

/** A figure drawn like another one; what it shows, and under which names, stays its own. */
export function drawnLike(own: FigureStyle, other: FigureStyle): FigureStyle {
  const rest = Object.fromEntries(Object.entries(own).filter(([key]) => !common.includes(key as never)));
  return { ...rest, ...commonOf(other) };
}
