/** Ways of looking at the readings. */
export const views = { points: 'points', box: 'boxes', histogram: 'histograms', quantile: 'quantile plots' } as const;
export type View = keyof typeof views;

/** Ways of looking at a table of counts. */
export const tableViews = { points: 'tiles', stacked: 'stacked shares' } as const;
export type TableView = keyof typeof tableViews;
