import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import { logChoose } from './binomial';

/** Counts that the margins of a 2 × 2 table allow in its first cell, with their probabilities. */
export interface TableCounts {
  /** The least count. */
  from: number;
  /** Probability of each count from `from` up. */
  masses: Float64Array;
  lower: (x: number) => number;
  upper: (x: number) => number;
}

/**
 * Fisher's noncentral hypergeometric distribution: the first cell of a 2 × 2 table with its margins fixed and this odds
 * ratio; with odds ratio 1, the central one. Source: Fisher (1935).
 * @param drawn first row's total
 * @param marked first column's total
 * @param total all
 * @throws DomainError unless the margins are whole numbers that fit together and the odds ratio is above 0
 */
export function hypergeometric(drawn: number, marked: number, total: number, oddsRatio = 1): TableCounts {
  demand(
    [drawn, marked, total].every((n) => Number.isInteger(n) && n >= 0) && drawn <= total && marked <= total,
    'The counts must be whole numbers that fit together.',
  );
  demand(oddsRatio > 0 && oddsRatio < Infinity, 'The odds ratio must be above 0.');
  const from = Math.max(0, drawn + marked - total);
  const to = Math.min(drawn, marked);
  const logs = new Float64Array(to - from + 1);
  const logOdds = Math.log(oddsRatio);
  for (let x = from; x <= to; x++)
    logs[x - from] = logChoose(marked, x) + logChoose(total - marked, drawn - x) + x * logOdds;
  const top = logs.reduce((a, b) => Math.max(a, b), -Infinity);
  const masses = logs.map((l) => Math.exp(l - top));
  const all = sum(masses);
  masses.forEach((m, i) => (masses[i] = m / all));
  return {
    from,
    masses,
    lower: (x) => Math.min(1, sum(masses.subarray(0, Math.max(0, x - from + 1)))),
    upper: (x) => Math.min(1, sum(masses.subarray(Math.max(0, x - from)))),
  };
}
