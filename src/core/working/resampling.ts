/** The working of randomization tests and of p-values adjusted for several comparisons. */
import { nth } from '../numeric/nth';
import { type Adjustment, adjustP } from '../procedures/adjust-p';
import { type ShuffleTest, sampledPInterval } from '../procedures/shuffle-means';
import { type Step, Working, constant, symbol } from './term';

const one = constant(1);

/**
 * The p of permuted labels: the share of arrangements at least as far out as the one seen; of drawn ones, the one seen
 * counts among them. Source: Fisher (1935), Davison & Hinkley (1997).
 */
export function shuffleWorking(found: ShuffleTest, level: number): Step[] {
  const w = new Working();
  const p = found.p.either;
  w.look('statistic of the readings as they are', 's', 's(\\text{readings})', found.observed);
  if (found.method === 'exact') {
    const all = symbol('M', found.arrangements);
    const far = w.look('arrangements at least as far out', 'b', '\\#\\{|s^*| \\ge |s|\\}', p * found.arrangements);
    w.let('two-sided p, exact', 'p', far.over(all));
    return w.steps;
  }
  const m = symbol('m', found.arrangements);
  const count = Math.round(p * (found.arrangements + 1)) - 1;
  const far = w.look('shuffles at least as far out', 'b', '\\#\\{|s^*| \\ge |s|\\}', count);
  w.let('two-sided p', 'p', far.plus(one).over(m.plus(one)));
  const { low, high } = sampledPInterval(count, found.arrangements, level);
  w.look('lower end, for the shuffles drawn', 'p_L', '\\text{Wilson}(b, m)', low);
  w.look('upper end', 'p_U', '\\text{Wilson}(b, m)', high);
  return w.steps;
}

const stepFactor: Record<Adjustment, string> = {
  unadjusted: 'p_{(i)}',
  bonferroni: '\\min(1,\\ m\\,p_{(i)})',
  sidak: '1 - (1 - p_{(i)})^m',
  holm: '\\max_{j \\le i}\\ \\min(1,\\ (m - j + 1)\\,p_{(j)})',
  'benjamini-hochberg': '\\min_{j \\ge i}\\ \\min(1,\\ \\tfrac{m}{j}\\,p_{(j)})',
};

/** p-values adjusted for several comparisons, smallest first. */
export function adjustmentWorking(p: readonly number[], method: Adjustment): Step[] {
  const w = new Working();
  const adjusted = adjustP(p, method);
  const order = p.map((_, i) => i).sort((i, j) => nth(p, i) - nth(p, j));
  const m = symbol('m', p.length);
  order.forEach((i, rank) => {
    const raw = symbol(`p_{(${rank + 1})}`, p[i] ?? 1);
    if (method === 'holm')
      w.let(`step ${rank + 1}`, `(m - ${rank})\\,p_{(${rank + 1})}`, m.minus(constant(rank)).times(raw));
    else if (method === 'benjamini-hochberg')
      w.let(`step ${rank + 1}`, `\\tfrac{m}{${rank + 1}}\\,p_{(${rank + 1})}`, m.over(constant(rank + 1)).times(raw));
    w.look(`adjusted p ${rank + 1}`, `\\tilde{p}_{(${rank + 1})}`, stepFactor[method], adjusted[i] ?? 1);
  });
  return w.steps;
}
