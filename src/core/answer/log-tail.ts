/** p-values too small for a number, by their logarithm. */
import { chiSquare } from '../distributions/chi-square';
import { fisherF } from '../distributions/f';
import { normal } from '../distributions/normal';
import { studentT } from '../distributions/t';
import { leastP } from '../procedures/direction';
import type { Comparison, Reference } from './comparison';

/** log₁₀ of the tail beyond a statistic; undefined of curves that are not taken so far out. */
function log10Tail({ distribution, parameters, statistic, direction }: Reference): number | undefined {
  const { df = NaN, df1 = NaN, df2 = NaN } = parameters;
  const far = direction === 'either' ? Math.abs(statistic) : direction === 'less' ? -statistic : statistic;
  const natural = (): number | undefined => {
    switch (distribution) {
      case 't':
        return studentT(df).logUpper(far);
      case 'normal':
        return normal.logUpper(far);
      case 'f':
        return fisherF(df1, df2).logUpper(far);
      case 'chi-square':
        return chiSquare(df).logUpper(far);
      default:
        return undefined;
    }
  };
  const log = natural();
  return log === undefined ? undefined : (log + (direction === 'either' ? Math.LN2 : 0)) / Math.LN10;
}

/** The same comparison, its tests with the logarithm of a p that no number can hold. */
export function withLogTails(comparison: Comparison): Comparison {
  if (comparison.tests.every((t) => t.p >= leastP)) return comparison;
  return {
    ...comparison,
    tests: comparison.tests.map((test) => {
      const reference = test.p < leastP ? comparison.reference?.find((r) => r.of === test.of) : undefined;
      const log10P = reference && log10Tail(reference);
      return log10P !== undefined && Number.isFinite(log10P) ? { ...test, log10P } : test;
    }),
  };
}
