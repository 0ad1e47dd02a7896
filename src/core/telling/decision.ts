/** The decision on the hypotheses, by the critical value and by p. */
import { nth } from '../numeric/nth';
import { alphaOf } from '../procedures/interval';
import type { Comparison, Reference } from '../answer/comparison';
import { there } from '../numeric/there';
import { named } from '../distributions/named';
import { fixed, pRelation, percent, significant, smallP } from '../words/numbers';

/** Where the reference distribution is cut, and what lies beyond. */
export interface Decision {
  critical: number[];
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
  const both = reference.direction === 'either';
  const share = both ? alpha / 2 : alpha;
  const [upper, lower] = [made.value.upperQuantile(share), made.value.quantile(share)];
  if (!upper.ok || !lower.ok) return undefined;
  if (made.value.discrete) {
    // A step that holds more than its share is not in the region: the region begins one further out.
    const [above, below] = [made.value.upper(upper.value), made.value.lower(lower.value)];
    const slack = 1 + 1e-9;
    if (above.ok && above.value > share * slack) upper.value += 1;
    if (below.ok && below.value > share * slack) lower.value -= 1;
  }
  const critical = both
    ? [lower.value, upper.value]
    : reference.direction === 'greater'
      ? [upper.value]
      : [lower.value];
  const { statistic, symbol } = reference;
  const beyond = both
    ? statistic <= lower.value || statistic >= upper.value
    : reference.direction === 'greater'
      ? statistic >= upper.value
      : statistic <= lower.value;
  const shown = (x: number): string =>
    Number.isInteger(x) ? String(x) : Math.abs(x) >= 1e4 ? significant(x, 4) : fixed(x, 3);
  const cut = !both
    ? shown(nth(critical, 0))
    : Math.abs(lower.value + upper.value) < 1e-9 * upper.value
      ? `±${shown(upper.value)}`
      : `${shown(lower.value)} or ${shown(upper.value)}`;
  const most = percent(alpha);
  const size = p < 0.001 ? smallP(p, 2) : pRelation(p).replace('= ', '');
  return {
    critical,
    p,
    beyond,
    short: `${symbol} = ${shown(statistic)} ${beyond ? 'beyond' : 'short of'} ${cut}`,
    words: [
      `${symbol} = ${shown(statistic)} lies ${beyond ? 'beyond' : 'short of'} the critical value ${cut}, which ${made.value.discrete ? 'at most ' : ''}${most} of such statistics ${made.value.discrete ? 'reach or pass' : 'pass'} when there is no effect.`,
      `p ${/^[<>]/.test(size) ? '' : '= '}${size} is ${beyond ? 'below' : 'not below'} ${most}. ${beyond ? 'Either way, the hypothesis of no effect is rejected at this level.' : 'Either way, the hypothesis of no effect is not rejected; that does not show it to be true.'}`,
    ],
  };
}

/** The p a reference curve belongs to: of the test it is of. */
export const pOf = (comparison: Comparison, reference: Reference): number =>
  there(comparison.tests.find((t) => t.of === reference.of)?.p ?? comparison.p, 'p');
