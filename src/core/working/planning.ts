/** The working of power: the effect as a noncentrality, and the share of experiments that would find it. */
import { fisherF } from '../distributions/f';
import { noncentralFUpper } from '../distributions/noncentral-f';
import { noncentralTLower, noncentralTUpper } from '../distributions/noncentral-t';
import { studentT } from '../distributions/t';
import { type Step, type Term, Working, constant, minus, over, plus, root, squared, symbol, times } from './term';

const one = constant(1);

function tEnding(w: Working, df: Term, shift: Term, alpha: number): void {
  const reference = studentT(df.value);
  const critical = w.look('critical value', 't^*', 't_{\\nu,\\,1-\\alpha/2}', reference.upperQuantile(alpha / 2));
  const above = w.look(
    'found in the right direction',
    'P_>',
    "P(T'_{\\nu,\\delta} \\ge t^*)",
    noncentralTUpper(critical.value, df.value, shift.value),
  );
  const below = w.look(
    'found in the wrong direction',
    'P_<',
    "P(T'_{\\nu,\\delta} \\le -t^*)",
    noncentralTLower(-critical.value, df.value, shift.value),
  );
  w.let('power', '1-\\beta', plus(above, below));
}

/** Power of the two-sided pooled t-test. @param difference in the readings' units, as is the SD */
export function twoGroupsPowerWorking(difference: number, sd: number, nA: number, nB: number, alpha: number): Step[] {
  const w = new Working();
  const [na, nb] = [symbol('n_a', nA), symbol('n_b', nB)];
  const d = w.let('difference in standard deviations', 'd', over(symbol('\\Delta', difference), symbol('\\sigma', sd)));
  const df = w.let('degrees of freedom', '\\nu', minus(plus(na, nb), constant(2)));
  const shift = w.let('noncentrality', '\\delta', over(d, root(plus(over(one, na), over(one, nb)))));
  tEnding(w, df, shift, alpha);
  return w.steps;
}

/** Power of the two-sided paired or one-sample t-test. */
export function pairedPowerWorking(difference: number, sd: number, pairs: number, alpha: number): Step[] {
  const w = new Working();
  const n = symbol('n', pairs);
  const d = w.let('difference in standard deviations', 'd', over(symbol('\\Delta', difference), symbol('\\sigma', sd)));
  const df = w.let('degrees of freedom', '\\nu', minus(n, one));
  const shift = w.let('noncentrality', '\\delta', times(d, root(n)));
  tEnding(w, df, shift, alpha);
  return w.steps;
}

/** Power of an analysis of variance with equal groups. @param f spread of the means in SDs within groups */
export function anovaPowerWorking(f: number, df1: number, groups: number, perGroup: number, alpha: number): Step[] {
  const w = new Working();
  const [F, k, n] = [symbol('f', f), symbol('k', groups), symbol('n', perGroup)];
  const a = symbol('\\nu_1', df1);
  const b = w.let('degrees of freedom left', '\\nu_2', times(k, minus(n, one)));
  const lambda = w.let('noncentrality', '\\lambda', times(squared(F), times(k, n)));
  const critical = w.look(
    'critical value',
    'F^*',
    'F_{\\nu_1,\\nu_2,\\,1-\\alpha}',
    fisherF(a.value, b.value).upperQuantile(alpha),
  );
  w.look(
    'power',
    '1-\\beta',
    "P(F'_{\\nu_1,\\nu_2,\\lambda} \\ge F^*)",
    noncentralFUpper(critical.value, a.value, b.value, lambda.value),
  );
  return w.steps;
}
