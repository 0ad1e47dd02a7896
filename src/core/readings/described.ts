/** What is chosen of a table's description: kept with the table, so that page, write-up and bundle show the same. */
import * as v from 'valibot';
import { type QuartileRule, quartileRules } from '../numeric/quantile';

/** Figures that can be chosen, by the name the field gives them; population figures carry the word. */
export const figureNames = {
  n: 'n',
  missing: 'missing',
  aside: 'set aside',
  mean: 'mean',
  interval: 'CI of the mean',
  sd: 'SD',
  variance: 'variance',
  sem: 'SEM',
  median: 'median',
  min: 'min',
  max: 'max',
  range: 'range',
  q1: 'Q1',
  q3: 'Q3',
  iqr: 'IQR',
  cv: 'CV (%)',
  sum: 'sum',
  skewness: 'skewness (G₁)',
  excessKurtosis: 'excess kurtosis (G₂)',
  populationSd: 'population SD',
  populationVariance: 'population variance',
  populationSkewness: 'population skewness (g₁)',
  populationExcessKurtosis: 'population excess kurtosis (g₂)',
} as const;
export type Figure = keyof typeof figureNames;
export const everyFigure = Object.keys(figureNames) as Figure[];

export const Described = v.object({
  figures: v.pipe(v.array(v.picklist(everyFigure)), v.maxLength(everyFigure.length)),
  /** As many as fit where it is absent. */
  decimals: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(12))),
  rule: v.picklist(Object.keys(quartileRules) as QuartileRule[]),
  level: v.pipe(v.number(), v.minValue(0.5), v.maxValue(0.9999)),
  /** Whether figures stand below one another, groups beside one another; as fits where it is absent. */
  figuresDown: v.optional(v.boolean()),
});
export type Described = v.InferOutput<typeof Described>;

/** Figures that are often wanted together, under what they are called in the list of choices. */
export const figureSets = {
  'the usual': ['n', 'missing', 'mean', 'interval', 'sd', 'sem', 'median', 'min', 'max'],
  'n and mean': ['n', 'mean'],
  'n, mean and SD': ['n', 'mean', 'sd'],
  'n, mean and SEM': ['n', 'mean', 'sem'],
  'n, mean and its CI': ['n', 'mean', 'interval'],
  'n, median and quartiles': ['n', 'median', 'q1', 'q3'],
  'least, quartiles and greatest': ['min', 'q1', 'median', 'q3', 'max'],
} as const satisfies Record<string, readonly Figure[]>;
export type FigureSet = keyof typeof figureSets;

/** The set that these figures are; undefined where they were chosen one by one. */
export const figureSetOf = (figures: readonly Figure[]): FigureSet | undefined =>
  (Object.keys(figureSets) as FigureSet[]).find(
    (name) => figureSets[name].length === figures.length && figureSets[name].every((f) => figures.includes(f)),
  );

/** What is shown where nobody chose. */
export const usualDescription: Described = {
  figures: [...figureSets['the usual']],
  rule: 'linear',
  level: 0.95,
};
