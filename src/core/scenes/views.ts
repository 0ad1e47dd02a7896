import type { FigureKind } from './figure-kinds';

/** Ways of looking at the readings. */
export const views = {
  points: 'points',
  box: 'boxes',
  histogram: 'histograms',
  quantile: 'quantile plots',
  change: 'changes',
} as const;
export type View = keyof typeof views;

/** Ways of looking at a table of counts. */
export const tableViews = { points: 'tiles', stacked: 'stacked shares' } as const;
export type TableView = keyof typeof tableViews;

/** The figure that shows the same as a way of looking. */
export const figureOf: Readonly<Record<string, FigureKind | undefined>> = {
  box: 'boxes',
  histogram: 'histograms',
  quantile: 'quantiles',
  change: 'changes',
  stacked: 'stacked',
};
