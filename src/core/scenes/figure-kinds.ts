/** What a figure can show. */
export const figureKinds = [
  /** Means with error bars, as columns or points; readings over them. */
  'means',
  'boxes',
  /** How often readings of each size were found, group by group. */
  'histograms',
  /** Readings against what a normal sample would give. */
  'quantiles',
  /** Readings against what they are adjusted for, a line for each group. */
  'covariate',
  /** Each subject's readings joined. */
  'lines',
  /** Cell means of one factor joined over the other. */
  'interaction',
  /** The share found in each group, with its interval. */
  'shares',
  /** All shares of each row of a table, one on the other. */
  'stacked',
  'tiles',
  /** The groups as rows, and beside them what differs by how much: as on the question's page. */
  'beside',
  /** How each subject changed from one time to every other. */
  'changes',
  /** Differences against the divide line. */
  'differences',
  /** What the statistic would do without an effect. */
  'distribution',
] as const;
export type FigureKind = (typeof figureKinds)[number];
