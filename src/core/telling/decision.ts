/** The decision on the hypotheses, by the critical value and by p. */
import { attempt } from '../numeric/domain-error';
import { alphaOf } from '../procedures/interval';
import type { Comparison, Reference } from '../answer/comparison';
import { type Rejection, criticalValuesOf, isRejected, rejectionOf } from '../procedures/rejection';
import { there } from '../numeric/there';
import { named } from '../distributions/named';
import { fixed, pRelation, percent, significant, smallP } from '../words/numbers';

/** Where the reference distribution is cut, and what lies beyond. */
export interface Decision {
  region: Rejection;
  p: number;
  beyond: boolean;
  /** In a line: "t = 3.88 beyond ±2.05". */
  short: string;
  /** By the critical value, then by p: they agree. */
  words: readonly [string, string];
}

/** The decision both ways; undefined where the curve has no critical value to show. */
export function decisionOf(reference: Reference, p: number, level: number): Decision | undefined {
  const made = named(reference.distribution, reference.parameters);
  if (!made.ok) return undefined;
  const alpha = alphaOf(level);
  const { discrete } = made.value;
  const found = attempt(() => rejectionOf(made.value, reference.direction, alpha));
  if (!found.ok) return undefined;
  const region = found.value;
  const { statistic, symbol } = reference;
  const beyond = isRejected(region, statistic);
  const shown = (x: number): string =>
    Number.isInteger(x) ? fixed(x, 0) : Math.abs(x) >= 1e4 ? significant(x, 4) : fixed(x, 3);
  const critical = criticalValuesOf(region);
  const [first, last] = critical;
  const cut =
    first !== undefined && last !== undefined && Math.abs(first + last) < 1e-9 * last
      ? `±${shown(last)}`
      : critical.map(shown).join(' or ');
  const most = percent(alpha);
  const lies = beyond ? (critical.includes(statistic) ? 'at' : 'beyond') : 'short of';
  const at = `${symbol} = ${shown(statistic)}`;
  const size = p < 0.001 ? smallP(p, 2) : pRelation(p).replace('= ', '');
  return {
    region,
    p,
    beyond,
    short: cut ? `${at} ${lies} ${cut}` : `${at}: with so few, none is rare enough`,
    words: [
      cut
        ? `${at} lies ${lies} the critical value ${cut}, which ${discrete ? 'at most ' : ''}${most} of such statistics ${discrete ? 'reach or pass' : 'pass'} when there is no effect.`
        : `${at}: there is no critical value, for with so few even the farthest statistic is reached more often than in ${most} of cases when there is no effect.`,
      `p ${/^[<>]/.test(size) ? '' : '= '}${size} is ${beyond ? 'below' : 'not below'} ${most}. ${beyond ? 'Either way, the hypothesis of no effect is rejected at this level.' : 'Either way, the hypothesis of no effect is not rejected; that does not show it to be true.'}`,
    ],
  };
}

/** The p a reference curve belongs to: of the test it is of. */
export const pOf = (comparison: Comparison, reference: Reference): number =>
  there(comparison.tests.find((t) => t.of === reference.of)?.p ?? comparison.p, 'p');
