/** The working of a likelihood ratio: what is maximised is looked up, what follows can be followed. */
import { chiSquare } from '../distributions/chi-square';
import { normal } from '../distributions/normal';
import type { Direction } from '../procedures/direction';
import { type Step, Working, constant, symbol } from './term';

/**
 * @param free log-likelihood where each group has its own mean; @param same where all share one, or the stated difference
 * @param df how many means fewer that leaves
 * @param sided of two groups: which way was tested, and on which side of the stated difference the estimate lies
 */
export function likelihoodRatioWorking(
  free: number,
  same: number,
  df: number,
  sided?: { direction: Direction; sign: number },
): Step[] {
  const w = new Working();
  const most = '\\text{at its greatest}';
  const one = w.look('log-likelihood, each group with a mean of its own', '\\ell_1', most, free);
  const none = w.look('log-likelihood under the hypothesis of no effect', '\\ell_0', most, same);
  const ratio = w.let(
    'likelihood ratio statistic',
    'X^2',
    constant(2).times(symbol(one.tex, free).minus(symbol(none.tex, same))),
  );
  if (sided && sided.direction !== 'either') {
    const above = sided.direction === 'greater';
    const sign = symbol(sided.sign < 0 ? '(-1)' : '1', sided.sign);
    const z = w.let('its root, with the sign of the effect', 'z', sign.times(ratio.root()));
    w.look('p', 'p', `P\\left(Z ${above ? '\\ge' : '\\le'} z\\right)`, normal.upper(above ? z.value : -z.value));
    return w.steps;
  }
  const nu = w.look('means fewer', '\\nu', '\\text{of the hypothesis}', df);
  w.look('p', 'p', 'P\\left(\\chi^2_\\nu \\ge X^2\\right)', chiSquare(nu.value).upper(Math.max(0, ratio.value)));
  return w.steps;
}
