import { nth } from '../numeric/nth';
import { studentT } from '../distributions/t';
import { demand } from '../numeric/domain-error';
import { moments } from '../numeric/sum';

/** A reading that lies far from its group. */
export interface UnusualPoint {
  /** Place of the group, and of the reading within it. */
  group: number;
  index: number;
  value: number;
  /** Externally studentized residual: distance from the group's mean without it, in its standard errors. */
  studentized: number;
  /** Two-sided p of that distance, multiplied by the number of readings (Bonferroni). */
  p: number;
}

/** Readings looked at one after the other, so that a few far ones do not hide each other. */
const mostOutliers = (n: number): number => Math.max(1, Math.min(10, Math.floor(n / 10)));

/** A group with some readings left out. */
interface Kept {
  n: number;
  mean: number;
  squares: number;
}

/**
 * Readings far from their group, by the generalized extreme studentized deviate: the furthest is judged among all, then
 * left out and the next one judged among the rest; those up to the last that is rarer than `share` among so many are
 * unusual. About one normal table in twenty has any, however many readings it has. Residuals are from each group's mean
 * without the reading, in the spread that the groups share, or in each group's own.
 * Source: Rosner (1983); Cook & Weisberg (1982) for the residuals.
 * @param share p below which a residual is unusual, after Bonferroni
 * @param ownSpread whether each group is judged by its own spread
 */
export function unusualPoints(groups: readonly (readonly number[])[], share = 0.05, ownSpread = false): UnusualPoint[] {
  demand(
    groups.some((g) => g.length > 0),
    'There are no readings.',
  );
  if (ownSpread && groups.length > 1) {
    const n = groups.reduce((s, g) => s + g.length, 0);
    return groups.flatMap((g, group) =>
      g.length > 2
        ? unusualPoints([g], (share * g.length) / n).map((u) => ({ ...u, group, p: Math.min(1, (u.p * n) / g.length) }))
        : [],
    );
  }
  const filled = groups.map((g) => (g.length > 0 ? moments(g) : undefined));
  const kept = filled.map((m): Kept => ({ n: m?.n ?? 0, mean: 0, squares: m?.sumOfSquares ?? 0 }));
  const gone = groups.map(() => new Set<number>());
  const readings = groups.reduce((n, g) => n + g.length, 0);
  const looked: UnusualPoint[] = [];
  let unusual = 0;
  for (let step = 0; step < mostOutliers(readings); step++) {
    const left = readings - step;
    const df = left - kept.filter((k) => k.n > 0).length - 1;
    const within = kept.reduce((s, k) => s + k.squares, 0);
    if (df < 1 || !(within > 0)) break;
    let furthest: { group: number; index: number; far: number } | undefined;
    // Deviations are from the whole group's mean; `mean` is what leaving readings out moved it by.
    filled.forEach((own, group) => {
      const { n, mean } = kept[group] ?? { n: 0, mean: 0 };
      if (!own || n < 3) return;
      for (let index = 0; index < own.n; index++) {
        const far = (nth(own.deviations, index) - mean) ** 2 / (1 - 1 / n);
        if ((!furthest || far > furthest.far) && !gone[group]?.has(index)) furthest = { group, index, far };
      }
    });
    if (!furthest) break;
    const { group, index, far } = furthest;
    const [own, rest] = [kept[group], within - far];
    const deviation = filled[group]?.deviations[index];
    if (!own || deviation === undefined) break;
    const residual = deviation - own.mean;
    const studentized =
      rest > 1e-12 * within ? Math.sign(residual) * Math.sqrt((far * df) / rest) : Math.sign(residual) * Infinity;
    const p = Math.min(1, 2 * left * studentT(df).upper(Math.abs(studentized)));
    looked.push({ group, index, value: nth(nth(groups, group), index), studentized, p });
    // Nearly all of the share is for the furthest one: those after it are judged more strictly.
    if (p < share * (step === 0 ? 0.9 : 0.25)) unusual = looked.length;
    gone[group]?.add(index);
    own.squares = Math.max(0, own.squares - far);
    own.mean -= residual / (own.n - 1);
    own.n -= 1;
  }
  return looked.slice(0, unusual);
}
