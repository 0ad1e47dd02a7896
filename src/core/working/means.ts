/** The working of tests and intervals of means, from figures of each group. */
import { normal } from '../distributions/normal';
import { studentT } from '../distributions/t';
import type { SampleSummary } from '../procedures/sample-summary';
import type { Direction } from '../procedures/direction';
import { hedgesCorrection } from '../procedures/standardized-difference';
import { type Step, type Term, Working, constant, symbol, total } from './term';
import { tailOf } from './tail';

const one = constant(1);

/** The symbols of a group: n, mean and variance with its mark. */
function group(mark: string, { n, mean, variance }: SampleSummary): { n: Term; mean: Term; variance: Term } {
  return {
    n: symbol(`n_${mark}`, n),
    mean: symbol(`\\bar{x}_${mark}`, mean),
    variance: symbol(`s_${mark}^2`, variance),
  };
}

/** What every t procedure ends with: t, its p by the direction asked, the critical value and the two-sided interval. */
export function ending(
  w: Working,
  estimate: Term,
  se: Term,
  df: Term,
  level: number,
  nullValue: number,
  direction: Direction,
): void {
  const t = w.let(
    'test statistic',
    't',
    (nullValue === 0 ? estimate : estimate.minus(symbol('\\delta_0', nullValue))).over(se),
  );
  const reference = studentT(df.value);
  tailOf(w, `T_{${df.tex}}`, t, reference, direction);
  const critical = w.look(
    'critical value',
    't^*',
    `t_{${df.tex},\\,1-\\alpha/2},\\ \\alpha = ${Number((1 - level).toPrecision(6))}`,
    reference.upperQuantile((1 - level) / 2),
  );
  w.let('lower end', '\\text{low}', estimate.minus(critical.times(se)));
  w.let('upper end', '\\text{high}', estimate.plus(critical.times(se)));
}

/** The working of a t-test of two groups, from their figures to the p of the direction asked. */
type TwoGroupsWorking = (
  a: SampleSummary,
  b: SampleSummary,
  level: number,
  nullDifference?: number,
  direction?: Direction,
) => Step[];

/** Welch's t-test. Source: Welch (1947), Satterthwaite (1946). */
export const welchWorking: TwoGroupsWorking = (a, b, level, nullDifference = 0, direction = 'either') => {
  const w = new Working();
  const [A, B] = [group('a', a), group('b', b)];
  const d = w.let('difference of the means', 'd', A.mean.minus(B.mean));
  const va = w.let('variance of the first mean', 'v_a', A.variance.over(A.n));
  const vb = w.let('variance of the second mean', 'v_b', B.variance.over(B.n));
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
          .over(A.n.minus(one))
          .plus(vb.squared().over(B.n.minus(one))),
      ),
  );
  ending(w, d, se, df, level, nullDifference, direction);
  return w.steps;
};

/** Student's t-test with pooled variance, and Hedges' g. Source: Student (1908), Hedges (1981). */
export const pooledWorking: TwoGroupsWorking = (a, b, level, nullDifference = 0, direction = 'either') => {
  const w = new Working();
  const [A, B] = [group('a', a), group('b', b)];
  const d = w.let('difference of the means', 'd', A.mean.minus(B.mean));
  const df = w.let('degrees of freedom', '\\nu', A.n.plus(B.n).minus(constant(2)));
  const pooled = w.let(
    'pooled variance',
    's_p^2',
    A.n.minus(one).times(A.variance).plus(B.n.minus(one).times(B.variance)).over(df),
  );
  const se = w.let('standard error', 'SE', pooled.times(one.over(A.n).plus(one.over(B.n))).root());
  ending(w, d, se, df, level, nullDifference, direction);
  const cohen = w.let('Cohen’s d', 'd_s', d.over(pooled.root()));
  const j = w.look(
    'bias correction',
    'J',
    '\\frac{\\Gamma(\\nu/2)}{\\sqrt{\\nu/2}\\;\\Gamma((\\nu-1)/2)}',
    hedgesCorrection(df.value),
  );
  w.let('Hedges’ g', 'g', j.times(cohen));
  return w.steps;
};

/** One mean against a fixed value. Source: Student (1908). */
export function oneSampleWorking(
  sample: SampleSummary,
  nullMean: number,
  level: number,
  direction: Direction = 'either',
): Step[] {
  const w = new Working();
  const n = symbol('n', sample.n);
  const mean = symbol('\\bar{x}', sample.mean);
  const d = w.let('distance from the fixed value', 'd', mean.minus(symbol('\\mu_0', nullMean)));
  const se = w.let('standard error', 'SE', symbol('s^2', sample.variance).root().over(n.root()));
  const df = w.let('degrees of freedom', '\\nu', n.minus(one));
  ending(w, d, se, df, level, 0, direction);
  w.let('Cohen’s d', 'd_s', d.over(symbol('s^2', sample.variance).root()));
  return w.steps;
}

/** Paired t-test, from the differences within pairs. Source: Student (1908). */
export function pairedWorking(
  differences: SampleSummary,
  level: number,
  nullDifference = 0,
  direction: Direction = 'either',
): Step[] {
  const w = new Working();
  const n = symbol('n', differences.n);
  const mean = symbol('\\bar{d}', differences.mean);
  const sd = w.let('SD of the differences', 's_d', symbol('s_d^2', differences.variance).root());
  const se = w.let('standard error', 'SE', sd.over(n.root()));
  const df = w.let('degrees of freedom', '\\nu', n.minus(one));
  ending(w, mean, se, df, level, nullDifference, direction);
  w.let('Cohen’s dz', 'd_z', mean.minus(symbol('\\delta_0', nullDifference)).over(sd));
  return w.steps;
}

/** One mean against a fixed value when the population's SD is known. */
export function oneSampleZWorking(
  mean: number,
  n: number,
  sigma: number,
  nullMean: number,
  level: number,
  direction: Direction = 'either',
): Step[] {
  const w = new Working();
  const x = symbol('\\bar{x}', mean);
  const se = w.let('standard error', 'SE', symbol('\\sigma', sigma).over(symbol('n', n).root()));
  const z = w.let('test statistic', 'z', x.minus(symbol('\\mu_0', nullMean)).over(se));
  tailOf(w, 'Z', z, normal, direction);
  const critical = w.look('critical value', 'z^*', 'z_{1-\\alpha/2}', normal.upperQuantile((1 - level) / 2));
  w.let('lower end', '\\text{low}', x.minus(critical.times(se)));
  w.let('upper end', '\\text{high}', x.plus(critical.times(se)));
  return w.steps;
}

/** The difference of two means whose populations' SDs are known. */
export function twoSampleZWorking(
  [a, b]: readonly [{ n: number; mean: number; sd: number }, { n: number; mean: number; sd: number }],
  level: number,
  nullValue: number,
  direction: Direction,
): Step[] {
  const w = new Working();
  const d = w.let('difference', 'd', symbol('\\bar{x}_a', a.mean).minus(symbol('\\bar{x}_b', b.mean)));
  const part = (mark: string, { n, sd }: typeof a): Term =>
    symbol(`\\sigma_${mark}`, sd)
      .squared()
      .over(symbol(`n_${mark}`, n));
  const se = w.let('standard error', 'SE', part('a', a).plus(part('b', b)).root());
  const away = nullValue === 0 ? d : d.minus(symbol('\\delta_0', nullValue));
  const z = w.let('test statistic', 'z', away.over(se));
  tailOf(w, 'Z', z, normal, direction);
  const critical = w.look('critical value', 'z^*', 'z_{1-\\alpha/2}', normal.upperQuantile((1 - level) / 2));
  w.let('lower end', '\\text{low}', d.minus(critical.times(se)));
  w.let('upper end', '\\text{high}', d.plus(critical.times(se)));
  return w.steps;
}

/** Two one-sided tests: is an estimate within bounds? Source: Schuirmann (1987). */
export function equivalenceWorking(estimate: number, se: number, df: number, low: number, high: number): Step[] {
  const w = new Working();
  const [d, s] = [symbol('d', estimate), symbol('SE', se)];
  const reference = studentT(df);
  const letter = df === Infinity ? 'z' : 't';
  const law = df === Infinity ? 'Z' : 'T_\\nu';
  const lower = w.let('distance above the lower bound', `${letter}_L`, d.minus(symbol('\\Delta_L', low)).over(s));
  const upper = w.let('distance below the upper bound', `${letter}_U`, symbol('\\Delta_U', high).minus(d).over(s));
  const pLow = w.look('p against the lower bound', 'p_L', `P(${law} \\ge ${letter}_L)`, reference.upper(lower.value));
  const pHigh = w.look('p against the upper bound', 'p_U', `P(${law} \\ge ${letter}_U)`, reference.upper(upper.value));
  w.look('p of equivalence', 'p', '\\max(p_L, p_U)', Math.max(pLow.value, pHigh.value));
  return w.steps;
}

/** Absolute distance in standard errors, the form in which several procedures judge a pair. */
export const standardized = (difference: Term, se: Term): Term => difference.magnitude().over(se);

/**
 * A pair of marginal means after a two-way analysis: each is the plain mean of its cells' means.
 * @param cellsA mean and n of the cells under the first level; those under the second alike
 */
export function marginalPairWorking(
  cellsA: readonly { n: number; mean: number }[],
  cellsB: readonly { n: number; mean: number }[],
  msError: number,
  df: number,
): Step[] {
  const w = new Working();
  const side = (cells: readonly { n: number; mean: number }[], mark: string): [Term, Term] => {
    const k = symbol(`c_${mark}`, cells.length);
    const mean = w.let(
      `marginal mean ${mark}`,
      `m_${mark}`,
      total(`\\sum \\bar{y}_{${mark}j}`, cells, (c, j) => symbol(`\\bar{y}_{${mark}${j + 1}}`, c.mean)).over(k),
    );
    const weight = total(`\\sum \\frac{1}{n_{${mark}j}}`, cells, (c, j) =>
      one.over(symbol(`n_{${mark}${j + 1}}`, c.n)),
    ).over(k.squared());
    return [mean, weight];
  };
  const [ma, wa] = side(cellsA, 'a');
  const [mb, wb] = side(cellsB, 'b');
  const d = w.let('difference', 'd', ma.minus(mb));
  const se = w.let('standard error', 'SE', symbol('MS_E', msError).times(wa.plus(wb)).root());
  const t = w.let('test statistic', 't', d.over(se));
  w.look('two-sided p, unadjusted', 'p', '2\\,P(T_{\\nu_E} \\ge |t|)', 2 * studentT(df).upper(Math.abs(t.value)));
  return w.steps;
}
