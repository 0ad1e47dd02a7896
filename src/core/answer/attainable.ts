/** The smallest p that a counted test could give, whatever the readings: with few of them it may lie above the level. */
import { leastOf } from '../numeric/extremes';
import { logChoose } from '../distributions/binomial';
import { hypergeometric } from '../distributions/hypergeometric';
import { sum } from '../numeric/sum';
import type { Direction } from '../procedures/direction';
import { alphaOf, passes } from '../procedures/interval';
import { type Share, oneProportion } from '../procedures/one-proportion';
import type { Comparison } from './comparison';

/** Of two groups whose labels, or ranks, could have fallen otherwise. @param mirrored whether both tails always hold alike */
export const leastOfLabels = (n1: number, n2: number, direction: Direction, mirrored: boolean): number =>
  Math.min(1, (direction === 'either' && mirrored ? 2 : 1) / Math.exp(logChoose(n1 + n2, n1)));

/** Of signs that could each have been the other one. */
export const leastOfSigns = (n: number, direction: Direction): number =>
  Math.min(1, (direction === 'either' ? 2 : 1) / 2 ** n);

/** Of a table of two groups by two outcomes with its totals as they are. */
export function leastOfTable(first: Share, second: Share, direction: Direction): number {
  const { masses } = hypergeometric(first.n, first.successes + second.successes, first.n + second.n);
  const ends = [masses[0] ?? 1, masses.at(-1) ?? 1] as const;
  if (direction !== 'either') return direction === 'less' ? ends[0] : ends[1];
  const least = leastOf(ends);
  return sum(masses.filter((m) => m <= least * (1 + 1e-7)));
}

/** Of n counted, held against a stated share. */
export const leastOfShare = (n: number, stated: number, direction: Direction): number =>
  leastOf([0, n].map((successes) => oneProportion({ successes, n }, stated).exact[direction]));

/** What to add to a comparison whose test could not have rejected anything. */
export function unattainable(least: number, level: number): Pick<Comparison, 'leastP'> & { remark: string[] } {
  if (passes(least, level)) return { remark: [] };
  return {
    leastP: least,
    remark: [
      `No outcome could give p < ${alphaOf(level)} here: with so few the smallest p this test can give is ${Number(least.toPrecision(2))}.`,
    ],
  };
}
