/** The working of analyses of variance and their follow-up, from figures of each group. */
import { dunnettLoadings, dunnettUpper, dunnettUpperQuantile } from '../distributions/dunnett';
import { fisherF } from '../distributions/f';
import { studentizedRangeUpper, studentizedRangeUpperQuantile } from '../distributions/studentized-range';
import { studentT } from '../distributions/t';
import type { SampleSummary } from '../procedures/sample-summary';
import { standardized } from './means';
import {
  type Step,
  type Term,
  Working,
  constant,
  minus,
  over,
  plus,
  root,
  squared,
  symbol,
  times,
  total,
} from './term';

const one = constant(1);

const symbolsOf = (groups: readonly SampleSummary[]): { n: Term; mean: Term; variance: Term }[] =>
  groups.map((g, i) => ({
    n: symbol(`n_{${i + 1}}`, g.n),
    mean: symbol(`\\bar{x}_{${i + 1}}`, g.mean),
    variance: symbol(`s_{${i + 1}}^2`, g.variance),
  }));

/** Mean squares between and within groups, which the follow-up shares. */
function meanSquares(w: Working, groups: readonly SampleSummary[]) {
  const g = symbolsOf(groups);
  const n = w.let(
    'readings in all',
    'N',
    total(
      '\\sum n_i',
      g.map((x) => x.n),
    ),
  );
  const k = symbol('k', groups.length);
  const grand = w.let(
    'grand mean',
    '\\bar{x}',
    over(
      total(
        '\\sum n_i \\bar{x}_i',
        g.map((x) => times(x.n, x.mean)),
      ),
      n,
    ),
  );
  const between = w.let(
    'sum of squares between groups',
    'SS_B',
    total(
      '\\sum n_i (\\bar{x}_i - \\bar{x})^2',
      g.map((x) => times(x.n, squared(minus(x.mean, grand)))),
    ),
  );
  const within = w.let(
    'sum of squares within groups',
    'SS_W',
    total(
      '\\sum (n_i - 1) s_i^2',
      g.map((x) => times(minus(x.n, one), x.variance)),
    ),
  );
  const dfBetween = w.let('degrees of freedom between', '\\nu_B', minus(k, one));
  const dfWithin = w.let('degrees of freedom within', '\\nu_W', minus(n, k));
  const msBetween = w.let('mean square between', 'MS_B', over(between, dfBetween));
  const msWithin = w.let('mean square within', 'MS_W', over(within, dfWithin));
  return { g, n, between, within, dfBetween, dfWithin, msBetween, msWithin };
}

/** One-way analysis of variance. Source: Fisher (1925). */
export function oneWayWorking(groups: readonly SampleSummary[]): Step[] {
  const w = new Working();
  const { between, within, dfBetween, dfWithin, msBetween, msWithin } = meanSquares(w, groups);
  const f = w.let('test statistic', 'F', over(msBetween, msWithin));
  w.look('p', 'p', 'P\\left(F_{\\nu_B,\\nu_W} \\ge F\\right)', fisherF(dfBetween.value, dfWithin.value).upper(f.value));
  w.let('total sum of squares', 'SS_T', plus(between, within));
  w.let('pooled SD', 's_p', root(msWithin));
  w.let('eta squared', '\\eta^2', over(between, plus(between, within)));
  w.let(
    'omega squared',
    '\\omega^2',
    over(minus(between, times(dfBetween, msWithin)), plus(plus(between, within), msWithin)),
  );
  return w.steps;
}

/** Welch's analysis of variance. Source: Welch (1951). */
export function welchAnovaWorking(groups: readonly SampleSummary[]): Step[] {
  const w = new Working();
  const g = symbolsOf(groups);
  const k = symbol('k', groups.length);
  const weights = g.map((x, i) => w.let(`weight of group ${i + 1}`, `w_{${i + 1}}`, over(x.n, x.variance)));
  const all = w.let('sum of the weights', 'W', total('\\sum w_i', weights));
  const mean = w.let(
    'weighted mean',
    '\\tilde{x}',
    over(
      total(
        '\\sum w_i \\bar{x}_i',
        weights.map((x, i) => times(x, g[i]?.mean ?? x)),
      ),
      all,
    ),
  );
  const between = w.let(
    'weighted mean square',
    'A',
    over(
      total(
        '\\sum w_i (\\bar{x}_i - \\tilde{x})^2',
        weights.map((x, i) => times(x, squared(minus(g[i]?.mean ?? x, mean)))),
      ),
      minus(k, one),
    ),
  );
  const lambda = w.let(
    'imbalance',
    '\\Lambda',
    total(
      '\\sum \\frac{(1 - w_i/W)^2}{n_i - 1}',
      weights.map((x, i) => over(squared(minus(one, over(x, all))), minus(g[i]?.n ?? x, one))),
    ),
  );
  const [two, three] = [constant(2), constant(3)];
  const f = w.let(
    'test statistic',
    'F',
    over(between, plus(one, over(times(times(two, minus(k, two)), lambda), minus(squared(k), one)))),
  );
  const df = w.let('degrees of freedom below', '\\nu_2', over(minus(squared(k), one), times(three, lambda)));
  w.look('p', 'p', 'P\\left(F_{k-1,\\nu_2} \\ge F\\right)', fisherF(groups.length - 1, df.value).upper(f.value));
  return w.steps;
}

/** How a pair of group means is judged after an analysis of variance. */
export type PairRule = 'tukey' | 'bonferroni' | 'scheffe' | 'unadjusted';

/** One pair after a one-way analysis of variance. Source: Tukey (1953), Kramer (1956), Bonferroni, Scheffé (1953). */
export function pairWorking(
  groups: readonly SampleSummary[],
  i: number,
  j: number,
  rule: PairRule,
  level: number,
): Step[] {
  const w = new Working();
  const { g, dfWithin, msWithin } = meanSquares(w, groups);
  const [a, b] = [g[i], g[j]];
  if (!a || !b) return w.steps;
  const d = w.let('difference of the means', 'd', minus(a.mean, b.mean));
  const se = w.let('standard error', 'SE', root(times(msWithin, plus(over(one, a.n), over(one, b.n)))));
  const df = dfWithin.value;
  const k = groups.length;
  const pairs = (k * (k - 1)) / 2;
  const alpha = 1 - level;
  let critical: Term;
  if (rule === 'tukey') {
    const q = w.let('studentized range', 'q', times(standardized(d, se), root(constant(2))));
    w.look('adjusted p', 'p', 'P\\left(Q_{k,\\nu_W} \\ge q\\right)', studentizedRangeUpper(q.value, k, df));
    const q0 = w.look(
      'critical range',
      'q^*',
      'q_{k,\\nu_W,\\,1-\\alpha}',
      studentizedRangeUpperQuantile(alpha, k, df),
    );
    critical = w.let('critical value', 'c', over(q0, root(constant(2))));
  } else if (rule === 'scheffe') {
    const f = w.let('test statistic', 'F', over(squared(over(d, se)), minus(symbol('k', k), one)));
    w.look('adjusted p', 'p', 'P\\left(F_{k-1,\\nu_W} \\ge F\\right)', fisherF(k - 1, df).upper(f.value));
    const f0 = w.look('critical F', 'F^*', 'F_{k-1,\\nu_W,\\,1-\\alpha}', fisherF(k - 1, df).upperQuantile(alpha));
    critical = w.let('critical value', 'c', root(times(minus(symbol('k', k), one), f0)));
  } else {
    const m = rule === 'bonferroni' ? pairs : 1;
    const t = w.let('test statistic', 't', standardized(d, se));
    const p = 2 * studentT(df).upper(t.value);
    w.look(
      'adjusted p',
      'p',
      m === 1 ? '2\\,P(T_{\\nu_W} \\ge t)' : `\\min(1,\\ ${m} \\cdot 2\\,P(T_{\\nu_W} \\ge t))`,
      Math.min(1, m * p),
    );
    critical = w.look(
      'critical value',
      'c',
      `t_{\\nu_W,\\,1-\\alpha/(2 \\cdot ${m})}`,
      studentT(df).upperQuantile(alpha / 2 / m),
    );
  }
  w.let('smallest significant difference', 'D', times(critical, se));
  w.let('lower end', '\\text{low}', minus(d, times(critical, se)));
  w.let('upper end', '\\text{high}', plus(d, times(critical, se)));
  return w.steps;
}

/** A group against the control, by Dunnett's many-one comparison. Source: Dunnett (1955, 1964). */
export function dunnettWorking(groups: readonly SampleSummary[], control: number, i: number, level: number): Step[] {
  const w = new Working();
  const { g, dfWithin, msWithin } = meanSquares(w, groups);
  const [a, c] = [g[i], g[control]];
  if (!a || !c) return w.steps;
  const d = w.let('difference from the control', 'd', minus(a.mean, c.mean));
  const se = w.let('standard error', 'SE', root(times(msWithin, plus(over(one, a.n), over(one, c.n)))));
  const t = w.let('test statistic', 't', over(d, se));
  const loadings = dunnettLoadings(
    groups.filter((_, k) => k !== control).map((x) => x.n),
    groups[control]?.n ?? 0,
  );
  const shape = { loadings, df: dfWithin.value, twoSided: true };
  w.look('adjusted p', 'p', 'P\\left(\\max_i |T_i| \\ge |t|\\right)', dunnettUpper(Math.abs(t.value), shape));
  const critical = w.look('critical value', 'c', 'd_{k-1,\\nu_W,\\,1-\\alpha}', dunnettUpperQuantile(1 - level, shape));
  w.let('lower end', '\\text{low}', minus(d, times(critical, se)));
  w.let('upper end', '\\text{high}', plus(d, times(critical, se)));
  return w.steps;
}

/** One pair with its own standard error and df. Source: Games & Howell (1976). */
export function gamesHowellWorking(groups: readonly SampleSummary[], i: number, j: number, level: number): Step[] {
  const w = new Working();
  const g = symbolsOf(groups);
  const [a, b] = [g[i], g[j]];
  if (!a || !b) return w.steps;
  const k = groups.length;
  const d = w.let('difference of the means', 'd', minus(a.mean, b.mean));
  const va = w.let('variance of the first mean', 'v_a', over(a.variance, a.n));
  const vb = w.let('variance of the second mean', 'v_b', over(b.variance, b.n));
  const se = w.let('standard error', 'SE', root(plus(va, vb)));
  const df = w.let(
    'degrees of freedom',
    '\\nu',
    over(squared(plus(va, vb)), plus(over(squared(va), minus(a.n, one)), over(squared(vb), minus(b.n, one)))),
  );
  const q = w.let('studentized range', 'q', times(standardized(d, se), root(constant(2))));
  w.look('adjusted p', 'p', 'P\\left(Q_{k,\\nu} \\ge q\\right)', studentizedRangeUpper(q.value, k, df.value));
  const q0 = w.look(
    'critical range',
    'q^*',
    'q_{k,\\nu,\\,1-\\alpha}',
    studentizedRangeUpperQuantile(1 - level, k, df.value),
  );
  const critical = w.let('critical value', 'c', over(q0, root(constant(2))));
  w.let('lower end', '\\text{low}', minus(d, times(critical, se)));
  w.let('upper end', '\\text{high}', plus(d, times(critical, se)));
  return w.steps;
}

/** A contrast of group means. Source: Scheffé (1953). */
export function contrastWorking(groups: readonly SampleSummary[], weights: readonly number[], level: number): Step[] {
  const w = new Working();
  const { g, dfWithin, msWithin } = meanSquares(w, groups);
  const c = weights.map((x, i) => symbol(`c_{${i + 1}}`, x));
  const zero = constant(0);
  const d = w.let(
    'the contrast',
    'd',
    total(
      '\\sum c_i \\bar{x}_i',
      g.map((x, i) => times(c[i] ?? zero, x.mean)),
    ),
  );
  const se = w.let(
    'standard error',
    'SE',
    root(
      times(
        msWithin,
        total(
          '\\sum \\frac{c_i^2}{n_i}',
          g.map((x, i) => over(squared(c[i] ?? zero), x.n)),
        ),
      ),
    ),
  );
  const t = w.let('test statistic', 't', over(d, se));
  const reference = studentT(dfWithin.value);
  w.look('two-sided p', 'p', '2\\,P(T_{\\nu_W} \\ge |t|)', 2 * reference.upper(Math.abs(t.value)));
  const critical = w.look(
    'critical value',
    't^*',
    't_{\\nu_W,\\,1-\\alpha/2}',
    reference.upperQuantile((1 - level) / 2),
  );
  w.let('lower end', '\\text{low}', minus(d, times(critical, se)));
  w.let('upper end', '\\text{high}', plus(d, times(critical, se)));
  return w.steps;
}
