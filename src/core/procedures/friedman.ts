import { chiSquare } from '../distributions/chi-square';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import { ranked } from './ranked';

export interface Friedman {
  chi2: number;
  df: number;
  p: number;
  meanRanks: number[];
  /** Kendall's W, agreement between subjects, 0 to 1. */
  kendallW: number;
}

/**
 * Friedman test: the same subjects under several conditions, ranked within each subject; corrected for ties.
 * Assumes independent subjects. Source: Friedman (1937).
 * @param rows one a subject, its readings in the order of the conditions
 */
export function friedman(rows: readonly (readonly number[])[]): Friedman {
  const n = rows.length;
  const k = rows[0]?.length ?? 0;
  demand(n >= 2 && k >= 2, 'At least two subjects under at least two conditions are needed.');
  demand(
    rows.every((r) => r.length === k),
    'Every subject needs a reading under every condition: leave out subjects with gaps.',
  );
  const within = rows.map((row) => ranked(row));
  const sums = Array.from({ length: k }, (_, j) => sum(within.map((r) => r.ranks[j] ?? 0)));
  const ties = sum(within.map((r) => r.tieTerm));
  const scale = n * k * (k + 1) - ties / (k - 1);
  demand(scale > 0, 'Within every subject all readings are the same: no rank differs from another.');
  const chi2 = (12 * sum(sums.map((s) => (s - (n * (k + 1)) / 2) ** 2))) / scale;
  const df = k - 1;
  return {
    chi2,
    df,
    p: Math.max(chiSquare(df).upper(chi2), Number.MIN_VALUE),
    meanRanks: sums.map((s) => s / n),
    kendallW: chi2 / (n * df),
  };
}
