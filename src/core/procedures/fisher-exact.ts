import { nth } from '../numeric/nth';
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
  const bound = nth(counts.masses, seen - counts.from) * (1 + 1e-7);
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

/** Steps of the logarithm in which the ends are looked for before they are narrowed down. */
const steps = 200;

/**
 * The interval for the odds ratio that goes with the two-sided test: the odds ratios it would not reject, from the least
 * to the largest. It therefore never contradicts the test, as one with equal tails may. Source: Baptista & Pike (1977).
 */
export function fisherInterval(table: TwoByTwo, level: number): Interval {
  const { row, column, total } = margins(table);
  const alpha = 1 - checkedLevel(level);
  const seen = table[0][0];
  const { from, masses } = hypergeometric(row, column, total);
  const logs = masses.map(Math.log);
  /** The test's p where ln of the odds ratio is x. */
  const p = (x: number): number => {
    const own = logs.map((log, i) => log + i * x);
    const top = own.reduce((a, b) => Math.max(a, b), -Infinity);
    const limit = nth(own, seen - from) + 1e-7;
    let [within, all] = [0, 0];
    for (const log of own) {
      const mass = Math.exp(log - top);
      all += mass;
      if (log <= limit) within += mass;
    }
    return within / all;
  };
  const equalTails = exactOddsRatioInterval(table, 1 - alpha / 8);
  const oneSided = exactOddsRatioInterval(table, 1 - 2 * alpha);
  /** The end nearest `outer` from which on the test does not reject. */
  const end = (outer: number, inner: number): number => {
    let before = outer;
    for (let i = 1; i <= steps; i++) {
      const x = outer + ((inner - outer) * i) / steps;
      if (p(x) <= alpha) {
        before = x;
        continue;
      }
      let [out, within] = [before, x];
      for (let k = 0; k < 60; k++) {
        const middle = (out + within) / 2;
        if (p(middle) > alpha) within = middle;
        else out = middle;
      }
      return Math.exp(within);
    }
    return Math.exp(inner);
  };
  return {
    low: seen === from ? 0 : end(Math.log(equalTails.low), Math.log(oneSided.low)),
    high: seen === from + masses.length - 1 ? Infinity : end(Math.log(equalTails.high), Math.log(oneSided.high)),
  };
}
