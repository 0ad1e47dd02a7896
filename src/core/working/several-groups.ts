/** The working of analyses of variance and their follow-up, from figures of each group. */
import { there } from '../numeric/there';
import { maximumModulusUpper, maximumModulusUpperQuantile } from '../distributions/maximum-modulus';
import { dunnettLoadings, dunnettUpper, dunnettUpperQuantile } from '../distributions/dunnett';
import { fisherF } from '../distributions/f';
import { studentizedRangeUpper, studentizedRangeUpperQuantile } from '../distributions/studentized-range';
import { studentT } from '../distributions/t';
import type { Direction } from '../procedures/direction';
import type { SampleSummary } from '../procedures/sample-summary';
import { standardized } from './means';
import { tailOf } from './tail';
import { type Step, type Term, Working, constant, symbol, total } from './term';
import { nth } from '../numeric/nth';

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
    total('\\sum n_i', g, (x) => x.n),
  );
  const k = symbol('k', groups.length);
  const grand = w.let('grand mean', '\\bar{x}', total('\\sum n_i \\bar{x}_i', g, (x) => x.n.times(x.mean)).over(n));
  const between = w.let(
    'sum of squares between groups',
    'SS_B',
    total('\\sum n_i (\\bar{x}_i - \\bar{x})^2', g, (x) => x.n.times(x.mean.minus(grand).squared())),
  );
  const within = w.let(
    'sum of squares within groups',
    'SS_W',
    total('\\sum (n_i - 1) s_i^2', g, (x) => x.n.minus(one).times(x.variance)),
  );
  const dfBetween = w.let('degrees of freedom between', '\\nu_B', k.minus(one));
  const dfWithin = w.let('degrees of freedom within', '\\nu_W', n.minus(k));
  const msBetween = w.let('mean square between', 'MS_B', between.over(dfBetween));
  const msWithin = w.let('mean square within', 'MS_W', within.over(dfWithin));
  return { g, n, between, within, dfBetween, dfWithin, msBetween, msWithin };
}

/** One-way analysis of variance. Source: Fisher (1925). */
export function oneWayWorking(groups: readonly SampleSummary[]): Step[] {
  const w = new Working();
  const { between, within, dfBetween, dfWithin, msBetween, msWithin } = meanSquares(w, groups);
  const f = w.let('test statistic', 'F', msBetween.over(msWithin));
  w.look('p', 'p', 'P\\left(F_{\\nu_B,\\nu_W} \\ge F\\right)', fisherF(dfBetween.value, dfWithin.value).upper(f.value));
  w.let('total sum of squares', 'SS_T', between.plus(within));
  w.let('pooled SD', 's_p', msWithin.root());
  w.let('eta squared', '\\eta^2', between.over(between.plus(within)));
  w.let(
    'omega squared',
    '\\omega^2',
    between.minus(dfBetween.times(msWithin)).over(between.plus(within).plus(msWithin)).atLeastZero(),
  );
  return w.steps;
}

/** Welch's analysis of variance. Source: Welch (1951). */
export function welchAnovaWorking(groups: readonly SampleSummary[]): Step[] {
  const w = new Working();
  const g = symbolsOf(groups);
  const k = symbol('k', groups.length);
  const weights = g.map((x, i) => w.let(`weight of group ${i + 1}`, `w_{${i + 1}}`, x.n.over(x.variance)));
  const all = w.let('sum of the weights', 'W', total('\\sum w_i', weights));
  const mean = w.let(
    'weighted mean',
    '\\tilde{x}',
    total('\\sum w_i \\bar{x}_i', weights, (x, i) => x.times(g[i]?.mean ?? x)).over(all),
  );
  const between = w.let(
    'weighted mean square',
    'A',
    total('\\sum w_i (\\bar{x}_i - \\tilde{x})^2', weights, (x, i) =>
      x.times((g[i]?.mean ?? x).minus(mean).squared()),
    ).over(k.minus(one)),
  );
  const lambda = w.let(
    'imbalance',
    '\\Lambda',
    total('\\sum \\frac{(1 - w_i/W)^2}{n_i - 1}', weights, (x, i) =>
      one
        .minus(x.over(all))
        .squared()
        .over((g[i]?.n ?? x).minus(one)),
    ),
  );
  const [two, three] = [constant(2), constant(3)];
  const f = w.let(
    'test statistic',
    'F',
    between.over(one.plus(two.times(k.minus(two)).times(lambda).over(k.squared().minus(one)))),
  );
  const df = w.let('degrees of freedom below', '\\nu_2', k.squared().minus(one).over(three.times(lambda)));
  w.look('p', 'p', 'P\\left(F_{k-1,\\nu_2} \\ge F\\right)', fisherF(groups.length - 1, df.value).upper(f.value));
  return w.steps;
}

/** One pair after a one-way analysis of variance, by the studentized range. Source: Tukey (1953), Kramer (1956). */
export function tukeyWorking(groups: readonly SampleSummary[], i: number, j: number, level: number): Step[] {
  const w = new Working();
  const { g, dfWithin, msWithin } = meanSquares(w, groups);
  const [a, b] = [g[i], g[j]];
  if (!a || !b) return w.steps;
  const d = w.let('difference of the means', 'd', a.mean.minus(b.mean));
  const se = w.let('standard error', 'SE', msWithin.times(one.over(a.n).plus(one.over(b.n))).root());
  const [df, k] = [dfWithin.value, groups.length];
  const q = w.let('studentized range', 'q', standardized(d, se).times(constant(2).root()));
  w.look('adjusted p', 'p', 'P\\left(Q_{k,\\nu_W} \\ge q\\right)', studentizedRangeUpper(q.value, k, df));
  const range = studentizedRangeUpperQuantile(1 - level, k, df);
  const q0 = w.look('critical range', 'q^*', 'q_{k,\\nu_W,\\,1-\\alpha}', range);
  const critical = w.let('critical value', 'c', q0.over(constant(2).root()));
  w.let('least significant difference', 'D', critical.times(se));
  return ends(w, d, critical.times(se));
}

/** Both ends of an interval, or the one a one-sided comparison has. */
function ends(w: Working, d: Term, reach: Term, direction: Direction = 'either'): Step[] {
  if (direction !== 'less') w.let('lower end', '\\text{low}', d.minus(reach));
  if (direction !== 'greater') w.let('upper end', '\\text{high}', d.plus(reach));
  return w.steps;
}

/** How a comparison that is judged with others ends: t, its own p, and an interval that errs by its share. */
export function judgedEnding(
  w: Working,
  d: Term,
  se: Term,
  df: Term,
  level: number,
  { each = 1 - level, direction = 'either' }: Pick<ContrastRule, 'each' | 'direction'>,
): Step[] {
  const t = w.let('test statistic', 't', d.over(se));
  const reference = studentT(df.value);
  tailOf(w, `T_{${df.tex}}`, t, reference, direction);
  const sides = direction === 'either' ? 2 : 1;
  const error =
    each < 1 - level
      ? w.look('error of each interval', '\\alpha_1', '\\text{each, so that all together err by } \\alpha', each).tex
      : '\\alpha';
  const critical = w.look(
    'critical value',
    't^*',
    `t_{${df.tex},\\,1-${error}${sides === 2 ? '/2' : ''}}`,
    reference.upperQuantile(each / sides),
  );
  return ends(w, d, critical.times(se), direction);
}

/** A group against the control, by Dunnett's many-one comparison. Source: Dunnett (1955, 1964). */
export function dunnettWorking(
  groups: readonly SampleSummary[],
  control: number,
  i: number,
  level: number,
  direction: Direction = 'either',
): Step[] {
  const w = new Working();
  const { g, dfWithin, msWithin } = meanSquares(w, groups);
  const [a, c] = [g[i], g[control]];
  if (!a || !c) return w.steps;
  const d = w.let('difference from the control', 'd', a.mean.minus(c.mean));
  const se = w.let('standard error', 'SE', msWithin.times(one.over(a.n).plus(one.over(c.n))).root());
  const t = w.let('test statistic', 't', d.over(se));
  const loadings = dunnettLoadings(
    groups.filter((_, k) => k !== control).map((x) => x.n),
    nth(groups, control).n,
  );
  const shape = { loadings, df: dfWithin.value, twoSided: direction === 'either' };
  // By symmetry a lower group is judged as a higher one turned round.
  const [formula, at] = {
    either: ['P\\left(\\max_i |T_i| \\ge |t|\\right)', Math.abs(t.value)] as const,
    greater: ['P\\left(\\max_i T_i \\ge t\\right)', t.value] as const,
    less: ['P\\left(\\min_i T_i \\le t\\right)', -t.value] as const,
  }[direction];
  w.look('adjusted p', 'p', formula, dunnettUpper(at, shape));
  const critical = w.look('critical value', 'c', 'd_{k-1,\\nu_W,\\,1-\\alpha}', dunnettUpperQuantile(1 - level, shape));
  return ends(w, d, critical.times(se), direction);
}

/** The difference of two groups with its own standard error and degrees of freedom (Welch, 1938). */
function separateDifference(w: Working, groups: readonly SampleSummary[], i: number, j: number) {
  const g = symbolsOf(groups);
  const [a, b] = [there(g[i], 'The first group'), there(g[j], 'The second group')];
  const d = w.let('difference of the means', 'd', a.mean.minus(b.mean));
  const va = w.let('variance of the first mean', 'v_a', a.variance.over(a.n));
  const vb = w.let('variance of the second mean', 'v_b', b.variance.over(b.n));
  const se = w.let('standard error', 'SE', va.plus(vb).root());
  const df = w.let(
    'degrees of freedom',
    '\\nu',
    va
      .plus(vb)
      .squared()
      .over(
        va
          .squared()
          .over(a.n.minus(one))
          .plus(vb.squared().over(b.n.minus(one))),
      ),
  );
  return { d, se, df };
}

/** One pair by the studentized maximum modulus. @param m of how many comparisons. Source: Dunnett (1980) */
export function dunnettT3Working(
  groups: readonly SampleSummary[],
  i: number,
  j: number,
  m: number,
  level: number,
): Step[] {
  const w = new Working();
  const { d, se, df } = separateDifference(w, groups, i, j);
  const t = w.let('test statistic', '|t|', standardized(d, se));
  w.look(
    'adjusted p',
    'p',
    `P\\left(\\max_{${m}} |T_\\nu| \\ge |t|\\right)`,
    maximumModulusUpper(t.value, m, df.value),
  );
  const critical = w.look(
    'critical value',
    'c',
    `M_{${m},\\,\\nu,\\,1-\\alpha}`,
    maximumModulusUpperQuantile(1 - level, m, df.value),
  );
  return ends(w, d, critical.times(se));
}

/** One pair with its own standard error and df. Source: Games & Howell (1976). */
export function gamesHowellWorking(groups: readonly SampleSummary[], i: number, j: number, level: number): Step[] {
  const w = new Working();
  const { d, se, df } = separateDifference(w, groups, i, j);
  const k = groups.length;
  const q = w.let('studentized range', 'q', standardized(d, se).times(constant(2).root()));
  w.look('adjusted p', 'p', 'P\\left(Q_{k,\\nu} \\ge q\\right)', studentizedRangeUpper(q.value, k, df.value));
  const q0 = w.look(
    'critical range',
    'q^*',
    'q_{k,\\nu,\\,1-\\alpha}',
    studentizedRangeUpperQuantile(1 - level, k, df.value),
  );
  const critical = w.let('critical value', 'c', q0.over(constant(2).root()));
  return ends(w, d, critical.times(se));
}

/** How a contrast is judged: with one spread for all groups or its own, by itself or among all one may think of. */
export interface ContrastRule {
  separate?: boolean;
  scheffe?: boolean;
  /** What its interval may err by, where that is less than α because several are simultaneous. */
  each?: number;
  direction?: Direction;
}

/**
 * A difference of two levels, less the same at another level of the other factor.
 * @param cells the four cells: the first and the last count with, the others against
 */
export function interactionContrastWorking(
  cells: readonly { n: number; mean: number }[],
  msError: number,
  dfError: number,
  level: number,
  each: number,
): Step[] {
  const w = new Working();
  const means = cells.map((c, i) => symbol(`\\bar{y}_{${i + 1}}`, c.mean));
  const [p, q, r, s] = [0, 1, 2, 3].map((i) => means[i] ?? symbol('\\bar{y}', NaN)) as [Term, Term, Term, Term];
  const first = w.let('difference at the one level', 'd_1', p.minus(q));
  const second = w.let('difference at the other', 'd_2', r.minus(s));
  const d = w.let('difference of the differences', 'd', first.minus(second));
  const shares = total('\\sum \\frac{1}{n_i}', cells, (c, i) => one.over(symbol(`n_{${i + 1}}`, c.n)));
  const se = w.let('standard error', 'SE', symbol('MS_E', msError).times(shares).root());
  return judgedEnding(w, d, se, symbol('\\nu_E', dfError), level, { each, direction: 'either' });
}

/**
 * A contrast of group means; a pair is one with weights 1 and −1. Source: Scheffé (1953); with separate spreads
 * Welch (1938) and Satterthwaite (1946).
 */
export function contrastWorking(
  groups: readonly SampleSummary[],
  weights: readonly number[],
  level: number,
  { separate = false, scheffe = false, each = 1 - level, direction = 'either' }: ContrastRule = {},
): Step[] {
  const w = new Working();
  const shared = separate ? undefined : meanSquares(w, groups);
  // What has no weight has no part in it.
  const parts = (shared?.g ?? symbolsOf(groups)).flatMap((x, i) =>
    weights[i] ? [{ ...x, c: symbol(`c_{${i + 1}}`, weights[i]) }] : [],
  );
  const d = w.let(
    'the contrast',
    'd',
    total('\\sum c_i \\bar{x}_i', parts, (x) => x.c.times(x.mean)),
  );
  const own = parts.map((x) => x.c.squared().times(x.variance).over(x.n));
  const se = w.let(
    'standard error',
    'SE',
    (shared
      ? shared.msWithin.times(total('\\sum \\frac{c_i^2}{n_i}', parts, (x) => x.c.squared().over(x.n)))
      : total('\\sum \\frac{c_i^2 s_i^2}{n_i}', own)
    ).root(),
  );
  const df =
    shared?.dfWithin ??
    w.let(
      'degrees of freedom',
      '\\nu',
      se
        .squared()
        .squared()
        .over(
          total('\\sum \\frac{(c_i^2 s_i^2 / n_i)^2}{n_i - 1}', own, (v, i) =>
            v.squared().over((parts[i]?.n ?? one).minus(one)),
          ),
        ),
    );
  if (scheffe) {
    const k = symbol('k', groups.length);
    const curve = fisherF(groups.length - 1, df.value);
    const f = w.let('test statistic', 'F', d.over(se).squared().over(k.minus(one)));
    w.look('adjusted p', 'p', `P\\left(F_{k-1,${df.tex}} \\ge F\\right)`, curve.upper(f.value));
    const f0 = w.look('critical F', 'F^*', `F_{k-1,${df.tex},\\,1-\\alpha}`, curve.upperQuantile(1 - level));
    const critical = w.let('critical value', 'c', k.minus(one).times(f0).root());
    w.let('least significant difference', 'D', critical.times(se));
    return ends(w, d, critical.times(se));
  }
  return judgedEnding(w, d, se, df, level, { each, direction });
}
