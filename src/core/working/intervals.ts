/** The working of intervals that go with no test: of a mean, a share, an SD. */
import { chiSquare } from '../distributions/chi-square';
import { normal } from '../distributions/normal';
import { studentT } from '../distributions/t';
import type { SampleSummary } from '../procedures/sample-summary';
import { type Step, type Term, Working, constant, symbol } from './term';

const one = constant(1);
const two = constant(2);

/** Both ends, so much to either side. */
function ends(w: Working, centre: Term, reach: Term): Step[] {
  w.let('lower end', '\\text{low}', centre.minus(reach));
  w.let('upper end', '\\text{high}', centre.plus(reach));
  return w.steps;
}

/** z* of a two-sided interval. */
const criticalZ = (w: Working, level: number): Term =>
  w.look('critical value', 'z^*', 'z_{1-\\alpha/2}', normal.upperQuantile((1 - level) / 2));

/** A mean with its t interval. Source: Student (1908). */
export function meanIntervalWorking(sample: SampleSummary, level: number): Step[] {
  const w = new Working();
  const n = symbol('n', sample.n);
  const sd = w.let('standard deviation', 's', symbol('s^2', sample.variance).root());
  const se = w.let('standard error', 'SE', sd.over(n.root()));
  const df = w.let('degrees of freedom', '\\nu', n.minus(one));
  const t = w.look(
    'critical value',
    't^*',
    't_{\\nu,\\,1-\\alpha/2}',
    studentT(df.value).upperQuantile((1 - level) / 2),
  );
  return ends(w, symbol('\\bar{x}', sample.mean), t.times(se));
}

/** A mean with the interval of a known SD. Source: Gauss (1809). */
export function meanKnownSdWorking(mean: number, size: number, knownSd: number, level: number): Step[] {
  const w = new Working();
  const se = w.let('standard error', 'SE', symbol('\\sigma', knownSd).over(symbol('n', size).root()));
  return ends(w, symbol('\\bar{x}', mean), criticalZ(w, level).times(se));
}

/** Wilson's interval of a share. Source: Wilson (1927). */
export function wilsonInterval(w: Working, share: Term, n: Term, level: number): Step[] {
  const z = criticalZ(w, level);
  const grown = one.plus(z.squared().over(n));
  const centre = w.let('Wilson’s centre', 'm', share.plus(z.squared().over(two.times(n))).over(grown));
  const spread = share
    .times(one.minus(share))
    .over(n)
    .plus(z.squared().over(constant(4).times(n.squared())));
  return ends(w, centre, w.let('Wilson’s reach', 'h', z.times(spread.root()).over(grown)));
}

/** A share with Wilson's interval. */
export function shareIntervalWorking(count: number, of: number, level: number): Step[] {
  const w = new Working();
  const n = symbol('n', of);
  return wilsonInterval(w, w.let('observed proportion', '\\hat{p}', symbol('x', count).over(n)), n, level);
}

/** The interval of an SD from its degrees of freedom. Source: Fisher (1925). */
export function sdInterval(w: Working, s: Term, df: Term, level: number): Step[] {
  const tail = (1 - level) / 2;
  const reference = chiSquare(df.value);
  const high = w.look('upper critical value', 'c_U', '\\chi^2_{\\nu,\\,1-\\alpha/2}', reference.upperQuantile(tail));
  const low = w.look('lower critical value', 'c_L', '\\chi^2_{\\nu,\\,\\alpha/2}', reference.quantile(tail));
  w.let('lower end of the SD', '\\text{low}', s.times(df.over(high).root()));
  w.let('upper end of the SD', '\\text{high}', s.times(df.over(low).root()));
  return w.steps;
}

/** An SD with its interval. */
export function sdIntervalWorking(sd: number, size: number, level: number): Step[] {
  const w = new Working();
  return sdInterval(w, symbol('s', sd), w.let('degrees of freedom', '\\nu', symbol('n', size).minus(one)), level);
}
