/** Power by exact noncentral distributions, and the sample size that reaches it. Source: Cohen (1988). */
import { cumsum } from 'd3-array';
import { nth } from '../numeric/nth';
import { binomial } from '../distributions/binomial';
import { fisherF } from '../distributions/f';
import { noncentralFUpper } from '../distributions/noncentral-f';
import { noncentralTLower, noncentralTUpper } from '../distributions/noncentral-t';
import { studentT } from '../distributions/t';
import { demand } from '../numeric/domain-error';
import { findZero } from '../numeric/solve';
import type { Direction } from './direction';

function tPower(df: number, shift: number, alpha: number, direction: Direction): number {
  demand(alpha > 0 && alpha < 1, 'The level of significance must lie between 0 and 1.');
  const reference = studentT(df);
  if (direction === 'greater') return noncentralTUpper(reference.upperQuantile(alpha), df, shift);
  if (direction === 'less') return noncentralTLower(-reference.upperQuantile(alpha), df, shift);
  const critical = reference.upperQuantile(alpha / 2);
  return noncentralTUpper(critical, df, shift) + noncentralTLower(-critical, df, shift);
}

/** Power of the pooled t-test. @param d difference in standard deviations */
export function twoGroupsTPower(
  d: number,
  n1: number,
  n2: number,
  alpha: number,
  direction: Direction = 'either',
): number {
  demand(n1 >= 2 && n2 >= 2, 'Each group needs at least two readings.');
  return tPower(n1 + n2 - 2, d / Math.sqrt(1 / n1 + 1 / n2), alpha, direction);
}

/** Power of the paired or one-sample t-test. @param d mean difference in standard deviations of the differences */
export function pairedTPower(d: number, pairs: number, alpha: number, direction: Direction = 'either'): number {
  demand(pairs >= 2, 'At least two pairs are needed.');
  return tPower(pairs - 1, d * Math.sqrt(pairs), alpha, direction);
}

/** Power of one-way ANOVA. @param f spread of the group means in standard deviations within groups */
export function oneWayAnovaPower(f: number, groups: number, perGroup: number, alpha: number): number {
  demand(groups >= 2 && perGroup >= 2, 'At least two groups of at least two readings are needed.');
  demand(alpha > 0 && alpha < 1, 'The level of significance must lie between 0 and 1.');
  const df1 = groups - 1;
  const df2 = groups * (perGroup - 1);
  return noncentralFUpper(fisherF(df1, df2).upperQuantile(alpha), df1, df2, f * f * groups * perGroup);
}

/**
 * Power of a fixed effect in two-way ANOVA with equal cells.
 * @param f the effect's spread in standard deviations within cells (Cohen's f)
 * @param df degrees of freedom of the effect: levels − 1, or their product for the interaction
 */
export function twoWayAnovaPower(f: number, df: number, cells: number, perCell: number, alpha: number): number {
  demand(cells >= 4 && perCell >= 2, 'At least two levels of each factor and two readings a cell are needed.');
  demand(alpha > 0 && alpha < 1, 'The level of significance must lie between 0 and 1.');
  const df2 = cells * (perCell - 1);
  return noncentralFUpper(fisherF(df, df2).upperQuantile(alpha), df, df2, f * f * cells * perCell);
}

/**
 * Power of repeated-measures ANOVA, sphericity holding.
 * @param f spread of the condition means in standard deviations of a reading
 * @param correlation of two readings of one subject: what subjects differ in drops out
 */
export function repeatedMeasuresPower(
  f: number,
  conditions: number,
  subjects: number,
  correlation: number,
  alpha: number,
): number {
  demand(conditions >= 2 && subjects >= 2, 'At least two conditions and two subjects are needed.');
  demand(correlation >= 0 && correlation < 1, 'The correlation must be at least 0 and below 1.');
  demand(alpha > 0 && alpha < 1, 'The level of significance must lie between 0 and 1.');
  const df1 = conditions - 1;
  const df2 = df1 * (subjects - 1);
  return noncentralFUpper(
    fisherF(df1, df2).upperQuantile(alpha),
    df1,
    df2,
    (f * f * conditions * subjects) / (1 - correlation),
  );
}

/**
 * Power of one-way ANOVA of samples with several readings each, equal in number: that of the samples' means.
 * @param f spread of the group means in standard deviations of a reading within groups
 * @param readings of each sample
 * @param icc correlation of two readings of one sample
 */
export function nestedPower(
  f: number,
  groups: number,
  samples: number,
  readings: number,
  icc: number,
  alpha: number,
): number {
  demand(readings >= 1, 'Each sample is read once at least.');
  demand(icc >= 0 && icc < 1, 'The correlation must be at least 0 and below 1.');
  return oneWayAnovaPower(f / Math.sqrt((1 + (readings - 1) * icc) / readings), groups, samples, alpha);
}

/**
 * Power of an analysis of covariance with a covariate that is drawn as the readings are: it takes a share r² of their
 * variance off, one degree of freedom, and what groups differ in it by chance (Cochran, 1957).
 * @param f spread of the group means in standard deviations of a reading within groups
 * @param correlation of a reading with the covariate, within groups
 */
export function adjustedPower(f: number, groups: number, perGroup: number, correlation: number, alpha: number): number {
  demand(groups >= 2 && perGroup >= 2, 'At least two groups of at least two readings are needed.');
  demand(Math.abs(correlation) < 1, 'The correlation must lie between −1 and 1.');
  const within = groups * (perGroup - 1);
  demand(within > 2, 'There are too few readings to judge a slope.');
  const chance = 1 + 1 / (within - 2);
  const [df1, df2] = [groups - 1, within - 1];
  const size = (f * f * groups * perGroup) / ((1 - correlation ** 2) * chance);
  return noncentralFUpper(fisherF(df1, df2).upperQuantile(alpha), df1, df2, size);
}

/**
 * Power of groups compared within complete blocks, which add to each of their readings alike.
 * @param f spread of the group means in standard deviations of a reading within groups
 * @param readings of each group in each block
 * @param correlation of two readings of one block: what blocks differ in drops out
 */
export function blockedPower(
  f: number,
  groups: number,
  blocks: number,
  readings: number,
  correlation: number,
  alpha: number,
): number {
  demand(groups >= 2 && blocks >= 2 && readings >= 1, 'At least two groups in at least two blocks are needed.');
  demand(correlation >= 0 && correlation < 1, 'The correlation must be at least 0 and below 1.');
  const [df1, df2] = [groups - 1, groups * blocks * readings - blocks - groups + 1];
  const size = (f * f * groups * blocks * readings) / (1 - correlation);
  return noncentralFUpper(fisherF(df1, df2).upperQuantile(alpha), df1, df2, size);
}

/**
 * Power of the interaction of groups of subjects with conditions each is read under, sphericity holding.
 * @param f spread of the interaction's effects in standard deviations of a reading
 */
export function withinBetweenPower(
  f: number,
  groups: number,
  conditions: number,
  perGroup: number,
  correlation: number,
  alpha: number,
): number {
  demand(
    groups >= 2 && conditions >= 2 && perGroup >= 2,
    'At least two groups of two subjects and two conditions are needed.',
  );
  demand(correlation >= 0 && correlation < 1, 'The correlation must be at least 0 and below 1.');
  demand(alpha > 0 && alpha < 1, 'The level of significance must lie between 0 and 1.');
  const df1 = (groups - 1) * (conditions - 1);
  const df2 = groups * (perGroup - 1) * (conditions - 1);
  const noncentrality = (f * f * groups * perGroup * conditions) / (1 - correlation);
  return noncentralFUpper(fisherF(df1, df2).upperQuantile(alpha), df1, df2, noncentrality);
}

/** The masses of a binomial from its first outcome that matters on: rarer ones cannot change the sixteenth digit. */
function likelyOutcomes(n: number, p: number): { from: number; masses: number[] } {
  const mode = Math.min(n, Math.floor((n + 1) * p));
  const most = binomial(n, p).mass(mode);
  const below: number[] = [];
  const above: number[] = [];
  for (let k = mode, mass = most; k > 0 && mass >= 1e-18; k--) below.push((mass *= (k * (1 - p)) / ((n - k + 1) * p)));
  for (let k = mode, mass = most; k < n && mass >= 1e-18; k++)
    above.push((mass *= ((n - k) * p) / ((k + 1) * (1 - p))));
  return { from: mode - below.length, masses: [...below.reverse(), most, ...above] };
}

/**
 * Exact power of a comparison of two proportions: the chance, over all outcomes the two binomials can have, that the
 * test rejects. It takes about as long as the outcomes of one group that matter are many.
 * @param rejects whether the test rejects at so many successes in each group: where it does, it does so too where the
 *   second group has more of them and the higher share, or fewer and the lower one
 */
export function twoProportionsPower(
  p1: number,
  n1: number,
  p2: number,
  n2: number,
  rejects: (x1: number, x2: number) => boolean,
): number {
  const [first, second] = [likelyOutcomes(n1, p1), likelyOutcomes(n2, p2)];
  const { from, masses } = second;
  /** Chances of at most, and of at least, the outcome at a place of the masses. */
  const atMost = cumsum(masses);
  const atLeast = cumsum([...masses].reverse()).reverse();
  const higher = (x1: number, x2: number): boolean => x2 * n1 > x1 * n2 && rejects(x1, x2);
  const lower = (x1: number, x2: number): boolean => x2 * n1 < x1 * n2 && rejects(x1, x2);
  // The last outcome rejected on the lower side and the first on the higher one: both rise with the first group's.
  let low = Math.ceil((first.from * n2) / n1) - 1;
  while (low >= 0 && !lower(first.from, low)) low -= 1;
  let high = Math.max(0, Math.floor((first.from * n2) / n1));
  let power = 0;
  first.masses.forEach((weight, i) => {
    const x1 = first.from + i;
    while (low < n2 && lower(x1, low + 1)) low += 1;
    while (high <= n2 && !higher(x1, high)) high += 1;
    const below = low < from ? 0 : nth(atMost, Math.min(low - from, masses.length - 1));
    const above = high - from >= masses.length ? 0 : nth(atLeast, Math.max(high - from, 0));
    power += weight * (below + above);
  });
  return Math.min(1, power);
}

/**
 * The smallest effect above 0 whose power reaches what is wanted.
 * @param power power at an effect, growing with it
 * @throws DomainError when none up to a thousand does
 */
export function detectableEffect(power: (effect: number) => number, wanted: number): number {
  demand(wanted > 0 && wanted < 1, 'The power wanted must lie between 0 and 1.');
  demand(power(0) < wanted, 'This power is reached without any effect: the level of significance is as high.');
  let high = 1;
  while (power(high) < wanted) {
    high *= 2;
    demand(high <= 1000, 'No effect up to a thousand standard deviations reaches this power: take more readings.');
  }
  return findZero((effect) => power(effect) - wanted, 0, high, 1e-10);
}

/**
 * The least n whose power reaches what is wanted, by doubling and halving.
 * @param power power at n, growing with n
 * @throws DomainError when none up to ten million does
 */
export function smallestSample(power: (n: number) => number, wanted: number, least = 2): number {
  demand(wanted > 0 && wanted < 1, 'The power wanted must lie between 0 and 1.');
  let high = least;
  while (power(high) < wanted) {
    high *= 2;
    demand(high <= 1e7, 'No sample up to ten million reaches this power: the effect is too small to be found.');
  }
  let low = Math.max(least - 1, Math.floor(high / 2));
  if (high === least) return least;
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (power(middle) < wanted) low = middle;
    else high = middle;
  }
  return high;
}
