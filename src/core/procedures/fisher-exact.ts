import { hypergeometric } from '../distributions/hypergeometric';
import { demand } from '../numeric/domain-error';
import { findZero } from '../numeric/solve';
import { sum } from '../numeric/sum';
import type { TailProbabilities } from './direction';
import { type Interval, checkedLevel } from './interval';

/** Counts of a 2 × 2 table, row by row. */
export type TwoByTwo = readonly [readonly [number, number], readonly [number, number]];

const margins = ([[a, b], [c, d]]: TwoByTwo): { row: number; column: number; total: number } => {
  demand(
    [a, b, c, d].every((n) => Number.isInteger(n) && n >= 0),
    'Counts must be whole numbers, 0 or more.',
  );
  return { row: a + b, column: a + c, total: a + b + c + d };
};

/**
 * Fisher's exact test of a 2 × 2 table with its margins fixed; two-sided: all tables no more likely than the one seen.
 * Source: Fisher (1935).
 */
export function fisherExact(table: TwoByTwo): TailProbabilities {
  const { row, column, total } = margins(table);
  const counts = hypergeometric(row, column, total);
  const seen = table[0][0];
  const bound = (counts.masses[seen - counts.from] ?? 0) * (1 + 1e-7);
  return {
    either: Math.min(1, sum(counts.masses.filter((m) => m <= bound))),
    greater: counts.upper(seen),
    less: counts.lower(seen),
  };
}

/**
 * Exact interval for the odds ratio given the margins: the ratios that neither tail of Fisher's noncentral
 * hypergeometric distribution rejects. An end is 0 or infinite where the table is separated. Source: Cornfield (1956).
 */
export function exactOddsRatioInterval(table: TwoByTwo, level: number): Interval {
  const { row, column, total } = margins(table);
  const tail = (1 - checkedLevel(level)) / 2;
  const seen = table[0][0];
  const { from, masses } = hypergeometric(row, column, total);
  const at = (logOdds: number) => hypergeometric(row, column, total, Math.exp(logOdds));
  const solve = (side: (logOdds: number) => number): number =>
    Math.exp(findZero((x) => Math.log(side(x) / tail), -60, 60, 1e-13));
  return {
    low: seen === from ? 0 : solve((x) => at(x).upper(seen)),
    high: seen === from + masses.length - 1 ? Infinity : solve((x) => at(x).lower(seen)),
  };
}
