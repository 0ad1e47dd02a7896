import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';

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
  const masses = new Float64Array(to - from + 1);
  /** The mass at x + 1 over that at x. */
  const ratio = (x: number): number =>
    (oddsRatio * ((marked - x) * (drawn - x))) / ((x + 1) * (total - marked - drawn + x + 1));
  // From the middle outwards, until nothing more is added.
  let [low, high] = [from, to];
  while (low < high) {
    const x = (low + high) >> 1;
    if (ratio(x) >= 1) low = x + 1;
    else high = x;
  }
  masses[low - from] = 1;
  for (let x = low, mass = 1; x < to && mass > 0; x++) masses[x + 1 - from] = mass *= ratio(x);
  for (let x = low, mass = 1; x > from && mass > 0; x--) masses[x - 1 - from] = mass /= ratio(x - 1);
  const all = sum(masses);
  masses.forEach((m, i) => (masses[i] = m / all));
  return {
    from,
    masses,
    lower: (x) => Math.min(1, sum(masses.subarray(0, Math.max(0, x - from + 1)))),
    upper: (x) => Math.min(1, sum(masses.subarray(Math.max(0, x - from)))),
  };
}
