/** The working of intervals that go with no test: of a mean, a share, an SD. */
import { chiSquare } from '../distributions/chi-square';
import { normal } from '../distributions/normal';
import { studentT } from '../distributions/t';
import type { SampleSummary } from '../procedures/sample-summary';
import { type Step, type Term, Working, constant, minus, over, plus, root, squared, symbol, times } from './term';

const one = constant(1);
const two = constant(2);

/** Both ends, so much to either side. */
function ends(w: Working, centre: Term, reach: Term): Step[] {
  w.let('lower end', '\\text{low}', minus(centre, reach));
  w.let('upper end', '\\text{high}', plus(centre, reach));
  return w.steps;
}

/** z* of a two-sided interval. */
const criticalZ = (w: Working, level: number): Term =>
  w.look('critical value', 'z^*', 'z_{1-\\alpha/2}', normal.upperQuantile((1 - level) / 2));

/** A mean with its t interval. Source: Student (1908). */
export function meanIntervalWorking(sample: SampleSummary, level: number): Step[] {
  const w = new Working();
  const n = symbol('n', sample.n);
  const sd = w.let('standard deviation', 's', root(symbol('s^2', sample.variance)));
  const se = w.let('standard error', 'SE', over(sd, root(n)));
  const df = w.let('degrees of freedom', '\\nu', minus(n, one));
  const t = w.look(
    'critical value',
    't^*',
    't_{\\nu,\\,1-\\alpha/2}',
    studentT(df.value).upperQuantile((1 - level) / 2),
  );
  return ends(w, symbol('\\bar{x}', sample.mean), times(t, se));
}

/** A mean with the interval of a known SD. Source: Gauss (1809). */
export function meanKnownSdWorking(mean: number, size: number, knownSd: number, level: number): Step[] {
  const w = new Working();
  const se = w.let('standard error', 'SE', over(symbol('\\sigma', knownSd), root(symbol('n', size))));
  return ends(w, symbol('\\bar{x}', mean), times(criticalZ(w, level), se));
}

/** Wilson's interval of a share. Source: Wilson (1927). */
export function wilsonInterval(w: Working, share: Term, n: Term, level: number): Step[] {
  const z = criticalZ(w, level);
  const grown = plus(one, over(squared(z), n));
  const centre = w.let('Wilson’s centre', 'm', over(plus(share, over(squared(z), times(two, n))), grown));
  const spread = plus(over(times(share, minus(one, share)), n), over(squared(z), times(constant(4), squared(n))));
  return ends(w, centre, w.let('Wilson’s reach', 'h', over(times(z, root(spread)), grown)));
}

/** A share with Wilson's interval. */
export function shareIntervalWorking(count: number, of: number, level: number): Step[] {
  const w = new Working();
  const n = symbol('n', of);
  return wilsonInterval(w, w.let('observed proportion', '\\hat{p}', over(symbol('x', count), n)), n, level);
}

/** The interval of an SD from its degrees of freedom. Source: Fisher (1925). */
export function sdInterval(w: Working, s: Term, df: Term, level: number): Step[] {
  const tail = (1 - level) / 2;
  const reference = chiSquare(df.value);
  const high = w.look('upper critical value', 'c_U', '\\chi^2_{\\nu,\\,1-\\alpha/2}', reference.upperQuantile(tail));
  const low = w.look('lower critical value', 'c_L', '\\chi^2_{\\nu,\\,\\alpha/2}', reference.quantile(tail));
  w.let('lower end of the SD', '\\text{low}', times(s, root(over(df, high))));
  w.let('upper end of the SD', '\\text{high}', times(s, root(over(df, low))));
  return w.steps;
}

/** An SD with its interval. */
export function sdIntervalWorking(sd: number, size: number, level: number): Step[] {
  const w = new Working();
  return sdInterval(w, symbol('s', sd), w.let('degrees of freedom', '\\nu', minus(symbol('n', size), one)), level);
}
