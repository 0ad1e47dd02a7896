import { nth } from '../numeric/nth';
import { type Direction, symmetricTails } from './direction';
import { chiSquare } from '../distributions/chi-square';
import { groupRankSums } from '../distributions/counted-ranks';
import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { mostOf } from '../numeric/extremes';
import { sum } from '../numeric/sum';
import { type Adjustment, adjustP } from './adjust-p';
import { allPairs } from './pairwise';
import { ranked } from './ranked';

export interface KruskalWallis {
  /** H, corrected for ties. */
  h: number;
  df: number;
  /** `exact`: every arrangement of the ranks counted; else H is referred to chi-square. */
  method: 'exact' | 'chi-square';
  p: number;
  /** The smallest p these sizes allow, where the arrangements were counted. */
  leastP?: number;
  meanRanks: number[];
}

/**
 * Kruskal–Wallis test: whether readings of several groups tend to differ in size. Assumes independent readings.
 * Exact where the arrangements can be counted, ties included; beyond that by chi-square, corrected for ties.
 * Source: Kruskal & Wallis (1952).
 */
export function kruskalWallis(
  groups: readonly (readonly number[])[],
  method: 'auto' | 'chi-square' = 'auto',
): KruskalWallis {
  const { ranks, meanRanks, n, tieTerm } = rankedGroups(groups);
  const centre = (n + 1) / 2;
  const spread = sum(groups.map((g, i) => g.length * (nth(meanRanks, i) - centre) ** 2));
  const h = (12 * spread) / (n * (n + 1)) / (1 - tieTerm / (n ** 3 - n));
  const df = groups.length - 1;
  const exact = method === 'auto' ? counted(ranks, groups) : undefined;
  return {
    h,
    df,
    method: exact === undefined ? 'chi-square' : 'exact',
    p: exact?.p ?? Math.max(chiSquare(df).upper(h), Number.MIN_VALUE),
    ...(exact ? { leastP: exact.least } : {}),
    meanRanks,
  };
}

/** The share of all ways to arrange the ranks that set the groups at least as far apart, and of those furthest of all. */
function counted(
  ranks: readonly number[],
  groups: readonly (readonly number[])[],
): { p: number; least: number } | undefined {
  const sizes = groups.map((g) => g.length);
  const doubled = ranks.map((r) => Math.round(2 * r));
  const all = groupRankSums(doubled, sizes);
  if (!all) return undefined;
  const spread = (sums: readonly number[]): number => sum(sums.map((s, g) => s ** 2 / (sizes[g] ?? 1)));
  let at = 0;
  const seen = spread(sizes.map((size) => sum(doubled.slice(at, (at += size)))));
  const spreads = all.map(({ sums, ways }) => ({ far: spread(sums), ways }));
  const shareFrom = (limit: number): number =>
    sum(spreads.map(({ far, ways }) => (far >= limit * (1 - 1e-12) ? ways : 0))) / sum(spreads.map((s) => s.ways));
  return { p: shareFrom(seen), least: shareFrom(mostOf(spreads.map((s) => s.far))) };
}

function rankedGroups(groups: readonly (readonly number[])[]): {
  ranks: number[];
  meanRanks: number[];
  n: number;
  tieTerm: number;
} {
  demand(groups.length >= 2 && groups.every((g) => g.length > 0), 'At least two groups with readings are needed.');
  const { ranks, tieTerm } = ranked(groups.flat());
  const n = ranks.length;
  demand(tieTerm < n ** 3 - n, 'All readings are the same: no rank differs from another.');
  let at = 0;
  const meanRanks = groups.map((g) => sum(ranks.slice(at, (at += g.length))) / g.length);
  return { ranks, meanRanks, n, tieTerm };
}

export interface DunnPair {
  a: number;
  b: number;
  /** Difference of mean ranks. */
  difference: number;
  z: number;
  /** Before adjustment. */
  alone: number;
  p: number;
}

/**
 * Dunn's comparison of all pairs after Kruskal–Wallis, or of each group with a control, on the same ranks.
 * Source: Dunn (1964).
 * @param against the place of the control, which every other group is taken less, and the direction asked
 */
export function dunnTest(
  groups: readonly (readonly number[])[],
  adjustment: Adjustment = 'holm',
  against?: { control: number; direction: Direction },
): DunnPair[] {
  const { meanRanks, n, tieTerm } = rankedGroups(groups);
  const variance = (n * (n + 1)) / 12 - tieTerm / (12 * (n - 1));
  const compared = against
    ? groups.flatMap((_, g): [number, number][] => (g === against.control ? [] : [[g, against.control]]))
    : allPairs(groups.length);
  const pairs = compared.map(([a, b]) => {
    const difference = nth(meanRanks, a) - nth(meanRanks, b);
    const z = difference / Math.sqrt(variance * (1 / (groups[a]?.length ?? 1) + 1 / (groups[b]?.length ?? 1)));
    return { a, b, difference, z, alone: symmetricTails(normal, z)[against?.direction ?? 'either'] };
  });
  const adjusted = adjustP(
    pairs.map((pair) => pair.alone),
    adjustment,
  );
  return pairs.map((pair, i) => ({ ...pair, p: adjusted[i] ?? 1 }));
}
