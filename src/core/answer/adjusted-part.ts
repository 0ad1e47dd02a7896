/** Groups as they were compared once something was taken off their readings: a covariate, or blocks. */
import { there } from '../numeric/there';
import type { Interval } from '../procedures/interval';
import { type GroupPart, describedBy } from './group-part';

export interface AdjustedMean {
  mean: number;
  se: number;
  interval: Interval;
  unadjusted: number;
  /** The mean of the covariate, where there is one. */
  covariate?: number;
  /** The readings behind it, each by its row. */
  points: readonly { y: number; row: number }[];
}

/** The groups by those of their readings that were taken, with their adjusted means. */
export const asAdjusted = (parts: readonly GroupPart[], groups: readonly AdjustedMean[], level: number): GroupPart[] =>
  parts.map((part, g) => {
    const { mean: adjusted, se, interval, unadjusted, covariate, points } = there(groups[g], 'An adjusted mean');
    const rows = new Set(points.map((p) => p.row));
    const own = describedBy(
      { ...part, readings: { ...part.readings, used: part.readings.used.filter((r) => rows.has(r.row)) } },
      points.map((p) => p.y),
      level,
    );
    return {
      ...own,
      se,
      interval,
      adjusted: { unadjusted, ...(covariate === undefined ? {} : { covariate }) },
      ...(own.description ? { description: { ...own.description, mean: adjusted } } : {}),
      ...(own.summary ? { summary: { ...own.summary, mean: adjusted } } : {}),
    };
  });
