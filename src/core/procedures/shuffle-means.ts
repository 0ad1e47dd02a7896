import { shareOf, signedSums, subsetSums } from '../distributions/counted';
import { logChoose } from '../distributions/binomial';
import { demand } from '../numeric/domain-error';
import { decimalScale } from '../numeric/decimals';
import { sum } from '../numeric/sum';
import type { TailProbabilities } from './direction';
import { type Interval, checkedLevel } from './interval';
import { proportionInterval } from './one-proportion';

/** The outcome of shuffling labels or flipping signs. */
export interface ShuffleTest {
  observed: number;
  /** `exact`: every arrangement counted; `sampled`: some drawn at random. */
  method: 'exact' | 'sampled';
  /** Arrangements there are, or were drawn. */
  arrangements: number;
  p: TailProbabilities;
}

/** Work an exact count may cost, in steps: about a second. */
export const exactSteps = 1e9;

/** Values as whole numbers from 0, when their decimals allow. */
function wholes(values: readonly number[]): number[] | undefined {
  const scale = decimalScale(values);
  return scale === undefined ? undefined : values.map((x) => Math.round(x * scale));
}

/**
 * Whether the exact count for two groups is feasible: sums of whole numbers over all choices of n₁ of them, however many
 * choices there are, as long as the decimals are few.
 */
export function canCountTwoGroups(a: readonly number[], b: readonly number[], steps = exactSteps): boolean {
  const all = wholes([...a, ...b]);
  if (!all) return false;
  const least = all.reduce((x, y) => Math.min(x, y), Infinity);
  const reach = sum(all.map((x) => x - least));
  return all.length * Math.min(a.length, b.length) * reach <= steps;
}

/**
 * Randomization test of two means, exact by counting: the share of all ways to part the readings into the two groups
 * that give a difference at least as large. Source: Fisher (1935), Pitman (1937); counting: Streitberg & Röhmel (1986).
 * @throws DomainError when the readings have too many decimals, or are too many, to be counted
 */
export function shuffleTwoMeansExact(a: readonly number[], b: readonly number[]): ShuffleTest {
  demand(a.length > 0 && b.length > 0, 'Each group needs at least one reading.');
  const all = wholes([...a, ...b]);
  demand(
    all !== undefined && canCountTwoGroups(a, b),
    'There are too many arrangements to count them all: draw a sample of them.',
  );
  const [n1, n2] = [a.length, b.length];
  const total = sum(all);
  const sums = subsetSums(all, n1);
  // The difference of means, n₁n₂ times over, is a whole number.
  const scaled = (s: number): number => s * n2 - (total - s) * n1;
  const seen = scaled(sum(all.slice(0, n1)));
  return {
    observed: sum(a) / n1 - sum(b) / n2,
    method: 'exact',
    arrangements: Math.round(Math.exp(logChoose(n1 + n2, n1))),
    p: {
      either: shareOf(sums, (s) => Math.abs(scaled(s)) >= Math.abs(seen)),
      greater: shareOf(sums, (s) => scaled(s) >= seen),
      less: shareOf(sums, (s) => scaled(s) <= seen),
    },
  };
}

/** Randomization test of paired readings: every choice of signs of the differences, counted. Source: Fisher (1935). */
export function shufflePairedExact(differences: readonly number[]): ShuffleTest {
  demand(differences.length > 0, 'There are no differences.');
  const all = wholes(differences);
  demand(
    all !== undefined && canCountPairs(differences),
    'There are too many arrangements to count them all: draw a sample of them.',
  );
  const sums = signedSums(all.map(Math.abs));
  const seen = sum(all);
  return {
    observed: sum(differences) / differences.length,
    method: 'exact',
    arrangements: sums.total,
    p: {
      either: shareOf(sums, (s) => Math.abs(s) >= Math.abs(seen)),
      greater: shareOf(sums, (s) => s >= seen),
      less: shareOf(sums, (s) => s <= seen),
    },
  };
}

/** Whether all choices of signs can be counted. */
export function canCountPairs(differences: readonly number[], steps = exactSteps): boolean {
  const all = wholes(differences);
  return all !== undefined && 2 * sum(all.map(Math.abs)) * all.length <= steps;
}

/** p from sampled shuffles, (b + 1)/(m + 1), never 0. Source: Davison & Hinkley (1997). */
export const sampledP = (asFar: number, shuffles: number): number => (asFar + 1) / (shuffles + 1);

/** How far the sampling of shuffles leaves p uncertain: Wilson's interval for the share. */
export const sampledPInterval = (asFar: number, shuffles: number, level: number): Interval =>
  proportionInterval({ successes: asFar, n: shuffles }, checkedLevel(level), 'wilson');
