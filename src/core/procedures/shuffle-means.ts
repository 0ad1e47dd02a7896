import { shareOf, signedSums, subsetSums } from '../distributions/counted';
import { logChoose } from '../distributions/binomial';
import { demand } from '../numeric/domain-error';
import { random } from '../numeric/random';
import { decimalScale, sum } from '../numeric/sum';
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

/** Work an exact count may cost, in steps. */
const exactSteps = 1e9;

/** Values as whole numbers from 0, when their decimals allow. */
function wholes(values: readonly number[]): number[] | undefined {
  const scale = decimalScale(values);
  return scale === undefined ? undefined : values.map((x) => Math.round(x * scale));
}

/**
 * Whether the exact count for two groups is feasible: sums of whole numbers over all choices of n₁ of them, however many
 * choices there are, as long as the decimals are few.
 */
export function canCountTwoGroups(a: readonly number[], b: readonly number[]): boolean {
  const all = wholes([...a, ...b]);
  if (!all) return false;
  const least = all.reduce((x, y) => Math.min(x, y), Infinity);
  const reach = sum(all.map((x) => x - least));
  return all.length * Math.min(a.length, b.length) * reach <= exactSteps;
}

/**
 * Randomization test of two means, exact by counting: the share of all ways to deal the readings into the two groups
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

/** Randomization test of paired readings by random signs, from a seed: for differences that cannot be counted. */
export function shufflePaired(differences: readonly number[], seed: number, shuffles: number): ShuffleTest {
  demand(differences.length > 0, 'There are no differences.');
  const { bits } = random(seed, 1);
  const total = sum(differences);
  const slack = 1e-12 * sum(differences.map(Math.abs));
  const counts = { greater: 0, less: 0, either: 0 };
  for (let s = 0; s < shuffles; s++) {
    let flipped = 0;
    let word = 0;
    for (let i = 0; i < differences.length; i++) {
      if (i % 32 === 0) word = bits();
      const d = differences[i] ?? 0;
      flipped += word & 1 ? d : -d;
      word >>>= 1;
    }
    if (flipped >= total - slack) counts.greater += 1;
    if (flipped <= total + slack) counts.less += 1;
    if (Math.abs(flipped) >= Math.abs(total) - slack) counts.either += 1;
  }
  return {
    observed: total / differences.length,
    method: 'sampled',
    arrangements: shuffles,
    p: {
      either: sampledP(counts.either, shuffles),
      greater: sampledP(counts.greater, shuffles),
      less: sampledP(counts.less, shuffles),
    },
  };
}

/** Whether all choices of signs can be counted. */
export function canCountPairs(differences: readonly number[]): boolean {
  const all = wholes(differences);
  return all !== undefined && 2 * sum(all.map(Math.abs)) * all.length <= exactSteps;
}

/** Shuffles that share one stream of random numbers. */
export const shuffleBlock = 10_000;

/** Counts of one block of shuffles at least as far out as the observed difference. */
export interface BlockCounts {
  shuffles: number;
  greater: number;
  less: number;
  either: number;
}

/**
 * One block of shuffles of two groups' labels. Blocks are numbered, and each has its own stream: the same seed gives the
 * same counts whatever the number of workers. The sum of one group is all that a shuffle needs.
 */
/* eslint-disable @typescript-eslint/no-non-null-assertion -- indices lie within the arrays, and a check costs a third */
export function shuffleTwoMeansBlock(
  a: readonly number[],
  b: readonly number[],
  seed: number,
  block: number,
  shuffles: number,
): BlockCounts {
  const values = Float64Array.from([...a, ...b]);
  const n = values.length;
  demand(n < 65_536, 'Shuffling takes at most 65,535 readings: with so many, the t-test gives the same answer.');
  // The smaller group is drawn: fewer steps a shuffle.
  const drawn = Math.min(a.length, b.length);
  const sign = a.length <= b.length ? 1 : -1;
  const total = sum(values);
  const seenSum = sum(a.length <= b.length ? a : b);
  const expected = (total * drawn) / n;
  const seen = sign * (seenSum - expected);
  // Sums that differ by rounding alone are equal.
  const slack = 1e-12 * (Math.abs(total) + values.reduce((m, x) => Math.max(m, Math.abs(x)), 0));
  const { fill } = random(seed, block + 1);
  const words = new Uint32Array(512);
  const made = new Uint16Array(words.buffer);
  let next = made.length;
  const counts: BlockCounts = { shuffles, greater: 0, less: 0, either: 0 };
  const far = Math.abs(seen) - slack;
  for (let s = 0; s < shuffles; s++) {
    let part = 0;
    for (let i = 0; i < drawn; i++) {
      // A whole number below n − i without bias (Lemire, 2019), from sixteen random bits: whole-number arithmetic
      // throughout, and two numbers from each draw of the generator.
      const left = n - i;
      let j: number;
      let low: number;
      do {
        if (next === made.length) {
          fill(words);
          next = 0;
        }
        const product = Math.imul(made[next++]!, left);
        j = product >>> 16;
        low = product & 0xffff;
      } while (low < left && low < 65536 % left);
      j += i;
      const x = values[j]!;
      values[j] = values[i]!;
      values[i] = x;
      part += x;
    }
    const difference = sign * (part - expected);
    if (difference >= seen - slack) counts.greater += 1;
    if (difference <= seen + slack) counts.less += 1;
    if (Math.abs(difference) >= far) counts.either += 1;
  }
  return counts;
}

/* eslint-enable @typescript-eslint/no-non-null-assertion */

/** p from sampled shuffles, (b + 1)/(m + 1), never 0. Source: Davison & Hinkley (1997). */
export const sampledP = (asFar: number, shuffles: number): number => (asFar + 1) / (shuffles + 1);

/** How far the sampling of shuffles leaves p uncertain: Wilson's interval for the share. */
export const sampledPInterval = (asFar: number, shuffles: number, level: number): Interval =>
  proportionInterval({ successes: asFar, n: shuffles }, checkedLevel(level), 'wilson');

/** Randomization test of two means by sampled shuffles, from a seed. */
export function shuffleTwoMeans(
  a: readonly number[],
  b: readonly number[],
  seed: number,
  shuffles: number,
): ShuffleTest {
  demand(a.length > 0 && b.length > 0, 'Each group needs at least one reading.');
  demand(Number.isInteger(shuffles) && shuffles >= 1, 'The number of shuffles must be a whole number of at least 1.');
  const counts: BlockCounts = { shuffles: 0, greater: 0, less: 0, either: 0 };
  for (let block = 0; counts.shuffles < shuffles; block++) {
    const done = shuffleTwoMeansBlock(a, b, seed, block, Math.min(shuffleBlock, shuffles - counts.shuffles));
    counts.shuffles += done.shuffles;
    counts.greater += done.greater;
    counts.less += done.less;
    counts.either += done.either;
  }
  return {
    observed: sum(a) / a.length - sum(b) / b.length,
    method: 'sampled',
    arrangements: shuffles,
    p: {
      either: sampledP(counts.either, shuffles),
      greater: sampledP(counts.greater, shuffles),
      less: sampledP(counts.less, shuffles),
    },
  };
}
