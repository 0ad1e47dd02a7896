import { type Direction, symmetricTails } from '../procedures/direction';
import type { Step, Term, Working } from './term';

/**
 * The p of a statistic by the direction asked: both tails, or the one the direction names.
 * @param variable what has the curve when there is no effect, as TeX; symmetric about 0
 */
export function tailOf(
  w: Working,
  variable: string,
  statistic: Term,
  curve: { upper: (x: number) => number },
  direction: Direction,
): Term {
  const [what, formula] = {
    either: ['two-sided p', `2\\,P\\left(${variable} \\ge |${statistic.tex}|\\right)`] as const,
    greater: ['one-sided p', `P\\left(${variable} \\ge ${statistic.tex}\\right)`] as const,
    less: ['one-sided p', `P\\left(${variable} \\le ${statistic.tex}\\right)`] as const,
  }[direction];
  return w.look(what, 'p', formula, symmetricTails(curve, statistic.value)[direction]);
}

/** A working whose p was counted exactly: the large-sample p stands beside it under a name of its own. */
export const endingExactly = (steps: readonly Step[], p: number, formula: string): Step[] => [
  ...steps.map((step) =>
    step.name === 'p' ? { ...step, what: 'p of large samples, beside it', name: 'p_\\infty' } : step,
  ),
  { what: 'p, counted exactly', name: 'p', formula, numbers: String(Number(p.toPrecision(6))), result: p },
];
