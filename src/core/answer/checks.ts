import type { Comparison, CovariatePart, SphericityOf } from './comparison';
import { attempt } from '../numeric/domain-error';
import { leastOf, mostOf } from '../numeric/extremes';
import { sampleOf } from '../numeric/random';
import { levene } from '../procedures/equal-spread';
import { type QuantilePlot, quantilePlot } from '../procedures/quantile-plot';
import { summarize } from '../procedures/sample-summary';
import { jointShapiroWilk, shapiroWilk } from '../procedures/shapiro-wilk';
import { type UnusualPoint, unusualPoints } from '../procedures/unusual-points';
import { moments } from '../numeric/sum';
import type { Additivity } from '../procedures/randomized-blocks';
import type { Repeats } from '../readings/repeats';

/**
 * How an assumption stands: nothing against it, something to weigh, something that matters, not to be judged; or it does
 * not hold, and the method chosen does not need it.
 */
export type Verdict = 'fine' | 'weigh' | 'matters' | 'unknown' | 'free';

/** What could be done about a finding, as the page offers it. */
export type Remedy =
  | 'rank-test'
  | 'shuffle'
  | 'separate-spreads'
  | 'ratios'
  | 'look-at-points'
  | 'keep-within-samples'
  | 'average-within-subjects'
  | 'pair-by-subject'
  | 'exact-test'
  | 'join-categories'
  | 'more-readings'
  | 'correct-degrees'
  | 'unadjusted'
  | 'two-factors'
  | 'none';

/** One assumption: its verdict, why, and what could be done. A check advises; it changes nothing by itself. */
export interface Check {
  about:
    | 'normality'
    | 'equal-spread'
    | 'unusual-points'
    | 'independence'
    | 'sample-size'
    | 'sphericity'
    | 'expected-counts'
    | 'parallel-slopes'
    | 'covariate'
    | 'additivity'
    | 'limits';
  verdict: Verdict;
  /** The reason with its figures, as data for the words. */
  figures: Readonly<Record<string, number>>;
  remedies: readonly Remedy[];
  points?: readonly UnusualPoint[];
  plot?: QuantilePlot;
  /** Of sphericity: of each effect within subjects, where there are several. */
  effects?: readonly SphericityOf[];
}

/** Residuals drawn into the small quantile plot, and at most tested: more could not be seen, or tested, any better. */
const plotted = 500;
const tested = 5000;

/** Readings less their group's mean; in units of the group's own SD where spreads may differ. */
const residuals = (groups: readonly (readonly number[])[], ownSpread: boolean): number[] =>
  groups.flatMap((g) => {
    if (g.length === 0) return [];
    const { n, deviations, sumOfSquares } = moments(g);
    const scale = ownSpread && sumOfSquares > 0 ? Math.sqrt(sumOfSquares / (n - 1)) : 1;
    return Array.from(deviations, (d) => d / scale);
  });

/**
 * Whether residuals look normal: of groups that share a spread all together, of groups with spreads of their own each
 * by itself, the tests then taken together. With few readings the test sees little and the mean needs it most; with many
 * it sees everything and the mean hardly needs it, so size weighs in the verdict.
 * @param independent how many independent samples stand behind a mean, where that is not the readings of a group
 */
export function checkNormality(
  groups: readonly (readonly number[])[],
  ownSpread = false,
  independent = leastOf(groups.map((g) => g.length)),
): Check {
  const left = residuals(groups, ownSpread);
  const separate = ownSpread && groups.length > 1;
  const test = attempt((): { w?: number; p: number } =>
    separate ? jointShapiroWilk(groups.map((g) => sampleOf(g, tested))) : shapiroWilk(sampleOf(left, tested)),
  );
  const plot = attempt(() => quantilePlot(sampleOf(left, plotted), 0.95, 1, 100));
  if (!test.ok)
    return { about: 'normality', verdict: 'unknown', figures: { n: left.length }, remedies: ['more-readings'] };
  const { w, p } = test.value;
  const verdict: Verdict = p >= 0.05 ? 'fine' : independent >= 40 ? 'weigh' : p < 0.01 ? 'matters' : 'weigh';
  const largest = separate ? mostOf(groups.map((g) => g.length)) : left.length;
  return {
    about: 'normality',
    verdict,
    figures: {
      ...(w === undefined ? {} : { w }),
      p,
      n: left.length,
      smallest: independent,
      ...(largest > tested ? { sampled: tested } : {}),
      ...(left.length > plotted ? { plotted } : {}),
    },
    remedies: verdict === 'fine' ? ['none'] : ['rank-test', 'shuffle', 'look-at-points'],
    ...(plot.ok ? { plot: plot.value } : {}),
  };
}

/** Whether the groups share one spread (Brown–Forsythe), and by how much the largest SD exceeds the smallest. */
export function checkEqualSpread(groups: readonly (readonly number[])[]): Check {
  // Pairs of readings lie equally far from their middle and would pass for a group without spread in its spread.
  const telling = groups.filter((g) => g.length > 2);
  const pairs = groups.length - telling.length;
  const found = attempt(() => {
    const sds = telling.map((g) => Math.sqrt(summarize(g).variance));
    return { p: levene(telling, 'median').p, ratio: mostOf(sds) / leastOf(sds) };
  });
  if (telling.length < 2 || !found.ok || !Number.isFinite(found.value.ratio))
    return { about: 'equal-spread', verdict: 'unknown', figures: { pairs }, remedies: ['more-readings'] };
  const { p, ratio } = found.value;
  const verdict: Verdict = p < 0.05 && ratio > 2 ? 'matters' : p < 0.05 || ratio > 3 ? 'weigh' : 'fine';
  return {
    about: 'equal-spread',
    verdict,
    figures: { p, ratio, pairs },
    remedies: verdict === 'fine' ? ['none'] : ['separate-spreads'],
  };
}

/** Readings far from their group. They are pointed out, never left out. */
export function checkUnusualPoints(groups: readonly (readonly number[])[], ownSpread = false): Check {
  const found = attempt(() => unusualPoints(groups, 0.05, ownSpread));
  const points = found.ok ? found.value : [];
  return {
    about: 'unusual-points',
    verdict: points.length > 0 ? 'matters' : 'fine',
    figures: { count: points.length },
    remedies: points.length > 0 ? ['look-at-points', 'rank-test'] : ['none'],
    points,
  };
}

/** Whether readings repeat subjects: technical replicates counted as samples, or pairs taken as strangers. */
export function checkIndependence(repeats: Repeats | undefined, averaged: boolean, paired: boolean): Check {
  if (!repeats) return { about: 'independence', verdict: 'unknown', figures: {}, remedies: ['none'] };
  const { readings, subjects, distinct, shared } = repeats;
  const replicated = subjects < readings && !averaged && !paired;
  const strangers = shared > 0 && !paired;
  // One subject alone in both makes no pairs to compare.
  const remedies: Remedy[] = [
    ...(replicated && shared === 0 ? (['keep-within-samples'] as const) : []),
    ...(replicated ? (['average-within-subjects'] as const) : []),
    ...(strangers && shared > 1 ? (['pair-by-subject'] as const) : []),
  ];
  return {
    about: 'independence',
    verdict: replicated || strangers ? 'matters' : 'fine',
    figures: { readings, subjects, distinct, shared },
    remedies: remedies.length > 0 ? remedies : ['none'],
  };
}

/**
 * Whether there are enough readings for the spread to be known at all, and for the test to reach its level.
 * @param leastP the smallest p the test could give, where that does not reach the level
 */
export function checkSampleSize(groups: readonly (readonly number[])[], leastP?: number): Check {
  const smallest = leastOf(groups.map((g) => g.length));
  return {
    about: 'sample-size',
    verdict: smallest < 3 || leastP !== undefined ? 'matters' : smallest < 6 ? 'weigh' : 'fine',
    figures: { smallest, ...(leastP === undefined ? {} : { leastP }) },
    // Where no outcome reaches the level, permuting the same few readings reaches it no better.
    remedies: leastP !== undefined ? ['more-readings'] : smallest < 6 ? ['more-readings', 'shuffle'] : ['none'],
  };
}

/**
 * Whether expected counts are large enough for the chi-square approximation: none under 1, at most a fifth under 5.
 * Source: Cochran (1954).
 */
export function checkExpectedCounts(expected: readonly (readonly number[])[]): Check {
  const all = expected.flat();
  const smallest = leastOf(all);
  const under5 = all.filter((e) => e < 5).length;
  const share = under5 / all.length;
  return {
    about: 'expected-counts',
    verdict: smallest < 1 || share > 0.2 ? 'matters' : under5 > 0 ? 'weigh' : 'fine',
    figures: { smallest, under5, share },
    remedies: under5 > 0 ? ['exact-test', 'join-categories'] : ['none'],
  };
}

/** How many readings of a group lie below a limit of detection: the more, the less the others tell of its mean. */
export function checkLimits(groups: readonly { n: number; below: number }[]): Check {
  const share = mostOf(groups.map(({ n, below }) => (n > 0 ? below / n : 0)));
  const worst = groups.find(({ n, below }) => n > 0 && below / n === share);
  const verdict: Verdict = share > 0.8 ? 'matters' : share > 0.5 ? 'weigh' : 'fine';
  return {
    about: 'limits',
    verdict,
    figures: { below: worst?.below ?? 0, n: worst?.n ?? 0 },
    remedies: verdict === 'fine' ? ['none'] : ['rank-test'],
  };
}

/** Whether the lines of the groups are parallel, so that their difference is the same wherever it is read. */
export function checkParallelSlopes(found: CovariatePart['slopes']): Check {
  if (!found) return { about: 'parallel-slopes', verdict: 'unknown', figures: {}, remedies: ['more-readings'] };
  const { f, df, p, own } = found;
  return {
    about: 'parallel-slopes',
    verdict: p < 0.05 ? 'matters' : 'fine',
    figures: { f, df1: df[0], df2: df[1], p, least: leastOf(own), most: mostOf(own) },
    remedies: p < 0.05 ? ['unadjusted'] : ['none'],
  };
}

/** Whether the value the means are adjusted to lies among the readings of every group: outside, a line is only prolonged. */
export function checkCovariate({ at, groups }: CovariatePart): Check {
  const outside = groups.filter(({ points }) => {
    const x = points.map((p) => p.x);
    return at < leastOf(x) || at > mostOf(x);
  }).length;
  return {
    about: 'covariate',
    verdict: outside > 0 ? 'matters' : 'fine',
    figures: { at, outside, groups: groups.length },
    remedies: outside > 0 ? ['unadjusted'] : ['none'],
  };
}

/** Whether groups differ alike in every block. */
export function checkAdditivity(found: Additivity | undefined): Check {
  if (!found) return { about: 'additivity', verdict: 'unknown', figures: {}, remedies: ['none'] };
  const { by, f, df, p } = found;
  return {
    about: 'additivity',
    verdict: p < 0.05 ? 'matters' : 'fine',
    figures: { f, df1: df[0], df2: df[1], p, replicates: Number(by === 'replicates') },
    remedies: p < 0.05 ? ['ratios', 'two-factors'] : ['none'],
  };
}

/** Whether the differences between conditions spread alike (Mauchly), which only the uncorrected test needs. */
export function checkSphericity(found: Comparison['sphericity'], epsilon: number, assumed: boolean): Check {
  if (!found) return { about: 'sphericity', verdict: 'unknown', figures: { epsilon }, remedies: ['none'] };
  const against = found.p < 0.05;
  return {
    about: 'sphericity',
    verdict: against ? (assumed ? 'matters' : 'weigh') : 'fine',
    figures: { w: found.w, p: found.p, epsilon, assumed: assumed ? 1 : 0 },
    remedies: against && assumed ? ['correct-degrees'] : ['none'],
    ...(found.effects ? { effects: found.effects } : {}),
  };
}
