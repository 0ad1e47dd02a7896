/** Ways of looking at the readings. */
export const views = { points: 'points', box: 'boxes', histogram: 'histograms', quantile: 'quantile plots' } as const;
export type View = keyof typeof views;
