/** The working of effect sizes: their intervals come from the noncentralities that fit the statistic seen. */
import { noncentralFInterval } from '../procedures/effect-size-intervals';
import { hedgesCorrection, noncentralityInterval } from '../procedures/standardized-difference';
import { type Step, type Term, Working, constant, symbol } from './term';

const one = constant(1);

/** The noncentrality for which a tail is α/2: not an equation in one step, but the number that solves one. */
const solved = (tail: string, of = '\\delta'): string => `\\left\\{\\,${of} : ${tail} = \\alpha/2\\,\\right\\}`;

/** The two noncentralities for which t would lie at each end of its distribution. Source: Steiger & Fouladi (1997). */
function ends(w: Working, t: number, df: number, level: number): [Term, Term] {
  const { low, high } = noncentralityInterval(t, df, level);
  return [
    w.look('noncentrality at the lower end', '\\delta_L', solved("P(T'_{\\nu,\\delta} \\ge t)"), low),
    w.look('noncentrality at the upper end', '\\delta_U', solved("P(T'_{\\nu,\\delta} \\le t)"), high),
  ];
}

/** Hedges' g of two groups with its noncentral-t interval, from the pooled t. */
export function hedgesWorking(t: number, nA: number, nB: number, level: number): Step[] {
  const w = new Working();
  const [na, nb] = [symbol('n_a', nA), symbol('n_b', nB)];
  const df = nA + nB - 2;
  const scale = w.let('from t to d', 'h', one.over(na).plus(one.over(nb)).root());
  const d = w.let('Cohen’s d', 'd_s', symbol('t', t).times(scale));
  const j = w.look(
    'bias correction',
    'J',
    '\\frac{\\Gamma(\\nu/2)}{\\sqrt{\\nu/2}\\;\\Gamma((\\nu-1)/2)}',
    hedgesCorrection(df),
  );
  w.let('Hedges’ g', 'g', j.times(d));
  const [low, high] = ends(w, t, df, level);
  w.let('lower end', 'g_L', j.times(scale).times(low));
  w.let('upper end', 'g_U', j.times(scale).times(high));
  return w.steps;
}

/** A mean, or a mean difference within pairs, in its own SDs, with its noncentral-t interval. */
export function oneSampleSizeWorking(t: number, n: number, level: number): Step[] {
  const w = new Working();
  const size = symbol('n', n).root();
  w.let('in standard deviations', 'd_z', symbol('t', t).over(size));
  const [low, high] = ends(w, t, n - 1, level);
  w.let('lower end', 'd_L', low.over(size));
  w.let('upper end', 'd_U', high.over(size));
  return w.steps;
}

/** (Partial) η² with its noncentral-F interval. Source: Smithson (2003), Steiger (2004). */
export function etaSquaredWorking(f: number, df1: number, df2: number, level: number): Step[] {
  const w = new Working();
  const [F, a, b] = [symbol('F', f), symbol('\\nu_1', df1), symbol('\\nu_2', df2)];
  const explained = F.times(a);
  w.let('eta squared', '\\eta^2', explained.over(explained.plus(b)));
  const n = w.let('readings in the analysis', 'N', a.plus(b).plus(one));
  const { low, high } = noncentralFInterval(f, df1, df2, level);
  const lambda = (name: string, at: string, way: string, value: number): Term =>
    w.look(
      `noncentrality at the ${name} end`,
      at,
      solved(`P(F'_{\\nu_1,\\nu_2,\\lambda} ${way} F)`, '\\lambda'),
      value,
    );
  const [l, u] = [lambda('lower', '\\lambda_L', '\\ge', low), lambda('upper', '\\lambda_U', '\\le', high)];
  w.let('lower end', '\\eta^2_L', l.over(l.plus(n)));
  w.let('upper end', '\\eta^2_U', u.over(u.plus(n)));
  return w.steps;
}
