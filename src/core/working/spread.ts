/** The working of tests and intervals of spread. */
import { chiSquare } from '../distributions/chi-square';
import { fisherF } from '../distributions/f';
import { pitmanMorgan } from '../procedures/pitman-morgan';
import type { SampleSummary } from '../procedures/sample-summary';
import { sdInterval } from './intervals';
import { type Step, Working, constant, symbol, total } from './term';

const one = constant(1);
const three = constant(3);

/** One SD against a stated one. Source: Fisher (1925). */
export function spreadOfOneWorking(sd: number, size: number, statedSd: number, level: number): Step[] {
  const w = new Working();
  const n = symbol('n', size);
  const s = symbol('s', sd);
  const df = w.let('degrees of freedom', '\\nu', n.minus(one));
  const chi2 = w.let('test statistic', 'X^2', df.times(s.squared()).over(symbol('\\sigma_0', statedSd).squared()));
  const reference = chiSquare(size - 1);
  const above = w.look('upper tail', 'p_>', 'P(\\chi^2_\\nu \\ge X^2)', reference.upper(chi2.value));
  const below = w.look('lower tail', 'p_<', 'P(\\chi^2_\\nu \\le X^2)', reference.lower(chi2.value));
  w.look('two-sided p', 'p', '2\\min(p_>, p_<)', Math.min(1, 2 * Math.min(above.value, below.value)));
  return sdInterval(w, s, df, level);
}

/** Two SDs by the ratio of their variances. Source: Fisher (1924). */
export function spreadOfTwoWorking(a: SampleSummary, b: SampleSummary, level: number): Step[] {
  const w = new Working();
  const f = w.let('ratio of the variances', 'F', symbol('s_a^2', a.variance).over(symbol('s_b^2', b.variance)));
  const reference = fisherF(a.n - 1, b.n - 1);
  const above = w.look('upper tail', 'p_>', 'P\\left(F_{n_a-1,\\,n_b-1} \\ge F\\right)', reference.upper(f.value));
  const below = w.look('lower tail', 'p_<', 'P\\left(F_{n_a-1,\\,n_b-1} \\le F\\right)', reference.lower(f.value));
  w.look('two-sided p', 'p', '2\\min(p_>, p_<)', Math.min(1, 2 * Math.min(above.value, below.value)));
  const tail = (1 - level) / 2;
  const high = w.look('upper critical value', 'c_U', 'F_{1-\\alpha/2}', reference.upperQuantile(tail));
  const low = w.look('lower critical value', 'c_L', 'F_{\\alpha/2}', reference.quantile(tail));
  w.let('ratio of the SDs', 'r', f.root());
  w.let('lower end of the ratio', '\\text{low}', f.over(high).root());
  w.let('upper end of the ratio', '\\text{high}', f.over(low).root());
  return w.steps;
}

/** Two SDs of the same subjects. Source: Pitman (1939), Morgan (1939). */
export function pitmanMorganWorking(a: readonly number[], b: readonly number[], level: number): Step[] {
  const w = new Working();
  const found = pitmanMorgan(a, b, level);
  const n = symbol('n', a.length);
  const r = w.look(
    'correlation of sums and differences within pairs',
    'r',
    '\\operatorname{cor}(x + y,\\, x - y)',
    found.correlation,
  );
  const df = w.let('degrees of freedom', '\\nu', n.minus(constant(2)));
  w.let('test statistic', 't', r.times(df.over(one.minus(r.squared())).root()));
  w.look('two-sided p', 'p', '2\\,P(T_\\nu \\ge |t|)', found.p.either);
  w.look('ratio of the SDs', 's_a/s_b', '\\sqrt{F}', Math.sqrt(found.ratio));
  w.look(
    'lower end of the ratio',
    '\\text{low}',
    '\\sqrt{F / (K + \\sqrt{K^2 - 1})}',
    Math.sqrt(found.ratioInterval.low),
  );
  w.look(
    'upper end of the ratio',
    '\\text{high}',
    '\\sqrt{F (K + \\sqrt{K^2 - 1})}',
    Math.sqrt(found.ratioInterval.high),
  );
  return w.steps;
}

/** Bartlett's test of equal variances. Source: Bartlett (1937). */
export function bartlettWorking(groups: readonly SampleSummary[]): Step[] {
  const w = new Working();
  const g = groups.map((x, i) => ({
    df: symbol(`n_{${i + 1}}`, x.n).minus(one),
    variance: symbol(`s_{${i + 1}}^2`, x.variance),
  }));
  const all = g.map((x) => x.df);
  const df = w.let('degrees of freedom within', '\\nu_W', total('\\sum (n_i - 1)', all));
  const pooled = w.let(
    'pooled variance',
    's_p^2',
    total('\\sum (n_i - 1) s_i^2', g, (x) => x.df.times(x.variance)).over(df),
  );
  const raw = w.let(
    'uncorrected statistic',
    'M',
    total('\\sum (n_i - 1)\\ln\\frac{s_p^2}{s_i^2}', g, (x) => x.df.times(pooled.over(x.variance).logarithm())),
  );
  const k = symbol('k', groups.length);
  const correction = w.let(
    'correction',
    'C',
    one.plus(
      total('\\sum \\frac{1}{n_i - 1}', all, (x) => one.over(x))
        .minus(one.over(df))
        .over(three.times(k.minus(one))),
    ),
  );
  const chi2 = w.let('test statistic', 'X^2', raw.over(correction));
  w.look('p', 'p', 'P(\\chi^2_{k-1} \\ge X^2)', chiSquare(groups.length - 1).upper(chi2.value));
  return w.steps;
}
