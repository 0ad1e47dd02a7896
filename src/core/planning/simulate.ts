/** Simulated experiments of a plan: what a thousand of them would have found. */
import { nth } from '../numeric/nth';
import { random, type Random } from '../numeric/random';
import { fisherF } from '../distributions/f';
import { studentT } from '../distributions/t';
import { normal } from '../distributions/normal';
import { analysisOfCovariance } from '../procedures/analysis-of-covariance';
import { randomizedBlocks } from '../procedures/randomized-blocks';
import type { Plan } from './plan';

/** One simulated experiment: its p, and its interval where it estimates one difference. */
export interface Simulated {
  found: boolean;
  interval?: { low: number; high: number; estimate: number };
}

const mean = (x: readonly number[]): number => x.reduce((a, b) => a + b, 0) / x.length;
const squares = (x: readonly number[], m: number): number => x.reduce((a, b) => a + (b - m) ** 2, 0);

function draws(n: number, centre: number, sd: number, source: Random): number[] {
  return Array.from({ length: n }, () => centre + sd * source.normal());
}

/** Judged by the same test the plan's formula is of. */
export function simulator(plan: Plan, n: number, seed: number): () => Simulated {
  const source = random(seed);
  const { design, difference, sd, alpha, direction, groups, levels, ratio, correlation, readings, share } = plan;
  const judged = (estimate: number, se: number, critical: number, cut: number): Simulated => {
    const t = estimate / (se || Number.MIN_VALUE);
    const found = direction === 'either' ? Math.abs(t) >= critical : direction === 'greater' ? t >= cut : -t >= cut;
    return { found, interval: { low: estimate - critical * se, high: estimate + critical * se, estimate } };
  };
  const stepped = (k: number): number => difference * (k / (groups - 1));
  if (design === 'paired' || design === 'one-sample') {
    const curve = studentT(n - 1);
    const [critical, cut] = [curve.upperQuantile(alpha / 2), curve.upperQuantile(alpha)];
    return () => {
      const x = draws(n, difference, sd, source);
      const m = mean(x);
      return judged(m, Math.sqrt(squares(x, m) / (n - 1) / n), critical, cut);
    };
  }
  const n2 = Math.max(2, Math.round(n * ratio));
  if (design === 'two-groups') {
    const curve = studentT(n + n2 - 2);
    const [critical, cut] = [curve.upperQuantile(alpha / 2), curve.upperQuantile(alpha)];
    return () => {
      const [x, y] = [draws(n, 0, sd, source), draws(n2, difference, sd, source)];
      const [mx, my] = [mean(x), mean(y)];
      const pooled = (squares(x, mx) + squares(y, my)) / (n + n2 - 2);
      return judged(my - mx, Math.sqrt(pooled * (1 / n + 1 / n2)), critical, cut);
    };
  }
  if (design === 'shares') {
    const [critical, cut] = [normal.upperQuantile(alpha / 2), normal.upperQuantile(alpha)];
    const count = (size: number, p: number): number => {
      let found = 0;
      for (let i = 0; i < size; i++) if (source.uniform() < p) found += 1;
      return found;
    };
    return () => {
      const [p1, p2] = [count(n, share) / n, count(n2, share + difference) / n2];
      const pooled = (p1 * n + p2 * n2) / (n + n2);
      const { found } = judged(p2 - p1, Math.sqrt(pooled * (1 - pooled) * (1 / n + 1 / n2)), critical, cut);
      const reach = critical * Math.sqrt((p1 * (1 - p1)) / n + (p2 * (1 - p2)) / n2);
      return { found, interval: { low: p2 - p1 - reach, high: p2 - p1 + reach, estimate: p2 - p1 } };
    };
  }
  if (design === 'nested') {
    const critical = fisherF(groups - 1, groups * (n - 1)).upperQuantile(alpha);
    return () => {
      const sets = Array.from({ length: groups }, (_, k) =>
        Array.from({ length: n }, () => {
          const own = stepped(k) + Math.sqrt(correlation) * sd * source.normal();
          return mean(draws(readings, own, Math.sqrt(1 - correlation) * sd, source));
        }),
      );
      const means = sets.map(mean);
      const between = (n * squares(means, mean(means))) / (groups - 1);
      const within = sets.reduce((sum, x, k) => sum + squares(x, nth(means, k)), 0) / (groups * (n - 1));
      return { found: between / within >= critical };
    };
  }
  if (design === 'adjusted')
    return () => {
      const sets = Array.from({ length: groups }, (_, k) =>
        Array.from({ length: n }, () => {
          const covariate = source.normal();
          const rest = Math.sqrt(1 - correlation ** 2) * source.normal();
          return { covariate, value: stepped(k) + sd * (correlation * covariate + rest) };
        }),
      );
      return { found: analysisOfCovariance(sets, 1 - alpha).group.p <= alpha };
    };
  if (design === 'blocked')
    return () => {
      const all = Array.from({ length: n }, (_, block) => {
        const own = Math.sqrt(correlation) * sd * source.normal();
        return Array.from({ length: groups }, (__, group) =>
          draws(readings, stepped(group) + own, Math.sqrt(1 - correlation) * sd, source).map((value) => ({
            group,
            block,
            value,
          })),
        ).flat();
      }).flat();
      return { found: randomizedBlocks(all, groups, n, 1 - alpha).group.p <= alpha };
    };
  if (design === 'mixed') {
    const [df1, df2] = [groups - 1, 2 * (n - 1) * (groups - 1)];
    const critical = fisherF(df1, df2).upperQuantile(alpha);
    return () => {
      const sets = [0, 1].map((set) =>
        Array.from({ length: n }, () => {
          const own = Math.sqrt(correlation) * sd * source.normal();
          return Array.from(
            { length: groups },
            (_, k) => set * stepped(k) + own + Math.sqrt(1 - correlation) * sd * source.normal(),
          );
        }),
      );
      const cells = sets.map((rows) => Array.from({ length: groups }, (_, k) => mean(rows.map((r) => nth(r, k)))));
      const [first = [], second = []] = cells;
      const apart = first.map((x, k) => nth(second, k) - x);
      const between = (n / 2) * squares(apart, mean(apart));
      const error = sets.reduce(
        (sum, rows, s) =>
          sum +
          rows.reduce(
            (all, r) =>
              all + r.reduce((one, x, k) => one + (x - mean(r) - nth(nth(cells, s), k) + mean(cells[s] ?? [])) ** 2, 0),
            0,
          ),
        0,
      );
      return { found: between / df1 / (error / df2) >= critical };
    };
  }
  if (design === 'repeated') {
    const [df1, df2] = [groups - 1, (groups - 1) * (n - 1)];
    const critical = fisherF(df1, df2).upperQuantile(alpha);
    return () => {
      const rows = Array.from({ length: n }, () => {
        const own = Math.sqrt(correlation) * sd * source.normal();
        return Array.from(
          { length: groups },
          (_, k) => stepped(k) + own + Math.sqrt(1 - correlation) * sd * source.normal(),
        );
      });
      const all = mean(rows.flat());
      const conditions = Array.from({ length: groups }, (_, k) => mean(rows.map((r) => nth(r, k))));
      const between = n * squares(conditions, all);
      const error = rows.reduce(
        (sum, r) => sum + r.reduce((s, x, k) => s + (x - mean(r) - nth(conditions, k) + all) ** 2, 0),
        0,
      );
      return { found: between / df1 / (error / df2) >= critical };
    };
  }
  // Several groups, or the first factor of two: its levels each hold so many readings.
  const size = design === 'factorial' ? n * levels : n;
  const [df1, df2] = [groups - 1, design === 'factorial' ? groups * levels * (n - 1) : groups * (n - 1)];
  const critical = fisherF(df1, df2).upperQuantile(alpha);
  return () => {
    const cells = Array.from({ length: design === 'factorial' ? groups * levels : groups }, (_, c) =>
      draws(n, stepped(design === 'factorial' ? Math.floor(c / levels) : c), sd, source),
    );
    const means = Array.from({ length: groups }, (_, k) =>
      mean(design === 'factorial' ? cells.slice(k * levels, (k + 1) * levels).flat() : (cells[k] ?? [])),
    );
    const within = cells.reduce((sum, x) => sum + squares(x, mean(x)), 0);
    return { found: (size * squares(means, mean(means))) / df1 / (within / df2) >= critical };
  };
}
