import { nth } from '../numeric/nth';
import { demand } from '../numeric/domain-error';

/** How p-values of several comparisons are adjusted. */
export type Adjustment = 'unadjusted' | 'bonferroni' | 'holm' | 'sidak' | 'benjamini-hochberg';

/** Applies a step to p-values in order of size, largest or smallest first, each no further than the one before. */
function stepped(p: readonly number[], upwards: boolean, factor: (rank: number) => number): number[] {
  const order = p.map((_, i) => i).sort((i, j) => nth(p, i) - nth(p, j));
  const out = new Array<number>(p.length);
  let bound = upwards ? 0 : 1;
  const walk = upwards ? order : [...order].reverse();
  walk.forEach((i, step) => {
    const rank = upwards ? step + 1 : p.length - step;
    const raw = Math.min(1, nth(p, i) * factor(rank));
    bound = upwards ? Math.max(bound, raw) : Math.min(bound, raw);
    out[i] = bound;
  });
  return out;
}

/**
 * Adjusted p-values: compare each with the level as it is. Bonferroni, Holm (1979) and Šidák (1967) hold the chance of
 * any false alarm; Benjamini & Hochberg (1995) holds the share of false alarms among the findings.
 * @throws DomainError for a p outside 0 to 1
 */
export function adjustP(p: readonly number[], method: Adjustment): number[] {
  demand(
    p.every((x) => x >= 0 && x <= 1),
    'A p-value must lie between 0 and 1.',
  );
  const m = p.length;
  switch (method) {
    case 'unadjusted':
      return [...p];
    case 'bonferroni':
      return p.map((x) => Math.min(1, m * x));
    case 'sidak':
      return p.map((x) => -Math.expm1(m * Math.log1p(-x)));
    case 'holm':
      return stepped(p, true, (rank) => m - rank + 1);
    case 'benjamini-hochberg':
      return stepped(p, false, (rank) => m / rank);
  }
}
