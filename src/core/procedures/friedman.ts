import { widthOf } from '../numeric/width-of';
import { nth } from '../numeric/nth';
import { chiSquare } from '../distributions/chi-square';
import { conditionRankSums } from '../distributions/counted-ranks';
import { demand } from '../numeric/domain-error';
import { mostOf } from '../numeric/extremes';
import { sum } from '../numeric/sum';
import { ranked } from './ranked';

export interface Friedman {
  chi2: number;
  df: number;
  /** `exact`: every order of the ranks within subjects counted; else the statistic is referred to chi-square. */
  method: 'exact' | 'chi-square';
  p: number;
  /** The smallest p so many subjects allow, where the arrangements were counted. */
  leastP?: number;
  meanRanks: number[];
  /** Standard error of a mean rank, corrected for ties. */
  se: number;
  /** p of a difference of two mean ranks as the largest of all pairs; undefined where it was not counted. */
  rangeP: ((difference: number) => number) | undefined;
  /** Kendall's W, agreement between subjects, 0 to 1. */
  kendallW: number;
}

/**
 * Friedman test: the same subjects under several conditions, ranked within each subject. Exact where the arrangements
 * can be counted, ties included; beyond that by chi-square, corrected for ties.
 * Assumes independent subjects. Source: Friedman (1937).
 * @param rows one a subject, its readings in the order of the conditions
 */
export function friedman(rows: readonly (readonly number[])[], method: 'auto' | 'chi-square' = 'auto'): Friedman {
  const n = rows.length;
  const k = widthOf(rows);
  demand(n >= 2 && k >= 2, 'At least two subjects under at least two conditions are needed.');
  demand(
    rows.every((r) => r.length === k),
    'Every subject needs a reading under every condition: leave out subjects with gaps.',
  );
  const within = rows.map((row) => ranked(row));
  const sums = Array.from({ length: k }, (_, j) => sum(within.map((r) => nth(r.ranks, j))));
  const ties = sum(within.map((r) => r.tieTerm));
  const scale = n * k * (k + 1) - ties / (k - 1);
  demand(scale > 0, 'Within every subject all readings are the same: no rank differs from another.');
  const chi2 = (12 * sum(sums.map((s) => (s - (n * (k + 1)) / 2) ** 2))) / scale;
  const df = k - 1;
  const counted =
    method === 'auto' ? conditionRankSums(within.map((r) => r.ranks.map((rank) => Math.round(2 * rank)))) : undefined;
  /** The share of all arrangements for which this holds of the rank sums, in order of size. */
  const shareOf = (holds: (doubled: readonly number[]) => boolean): number | undefined =>
    counted && sum(counted.map((one) => (holds(one.sums) ? one.ways : 0)));
  const squares = (doubled: readonly number[]): number => sum(doubled.map((s) => s * s));
  const seen = squares(sums.map((s) => Math.round(2 * s)));
  const exact = shareOf((doubled) => squares(doubled) >= seen);
  const furthest = mostOf((counted ?? []).map((one) => squares(one.sums)));
  return {
    chi2,
    df,
    method: exact === undefined ? 'chi-square' : 'exact',
    p: Math.min(1, exact ?? Math.max(chiSquare(df).upper(chi2), Number.MIN_VALUE)),
    ...(counted ? { leastP: shareOf((doubled) => squares(doubled) >= furthest) ?? 1 } : {}),
    meanRanks: sums.map((s) => s / n),
    se: Math.sqrt(scale / 12) / n,
    rangeP:
      counted &&
      ((difference) =>
        Math.min(
          1,
          shareOf((doubled) => nth(doubled, k - 1) - nth(doubled, 0) >= Math.round(2 * n * Math.abs(difference))) ?? 1,
        )),
    kendallW: chi2 / (n * df),
  };
}
