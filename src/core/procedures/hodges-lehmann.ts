import { nth } from '../numeric/nth';
import { demand } from '../numeric/domain-error';
import { subsetSums } from '../distributions/counted';
import { normal } from '../distributions/normal';
import { allDifferences } from '../numeric/pair-selection';
import { type Interval, checkedLevel } from './interval';

export interface Shift {
  /** The median of all differences between a reading of the first group and one of the second. */
  estimate: number;
  interval: Interval;
  /** The level the interval has, at least the one asked for: ranks move in steps. */
  coverage: number;
}

/**
 * Hodges–Lehmann shift with the interval that goes with the Mann–Whitney test: the ordered differences cut at the test's
 * critical value. Source: Hodges & Lehmann (1963), Moses (1965).
 * The differences are never listed, so that groups may be of any size.
 * @throws DomainError with an empty group
 */
export function hodgesLehmann(a: readonly number[], b: readonly number[], level: number): Shift {
  const [n1, n2] = [a.length, b.length];
  demand(n1 > 0 && n2 > 0, 'Each group needs at least one reading.');
  const differences = allDifferences(a, b);
  const alpha = 1 - checkedLevel(level);
  let cut = 0;
  let coverage = 1;
  if (n1 + n2 <= 120) {
    // U of untied readings, by counting; the largest c with P(U < c) ≤ α/2.
    const all = subsetSums(
      Array.from({ length: n1 + n2 }, (_, i) => i),
      n1,
    );
    // Sums start at 0 + 1 + … + (n₁ − 1), which is U = 0.
    const counts = all.counts.subarray((n1 * (n1 - 1)) / 2);
    let below = 0;
    while (cut < counts.length && (below + nth(counts, cut)) / all.total <= alpha / 2) below += nth(counts, cut++);
    coverage = 1 - (2 * below) / all.total;
  } else {
    const sd = Math.sqrt((n1 * n2 * (n1 + n2 + 1)) / 12);
    // The least U that the test with its correction for continuity does not reject.
    cut = Math.max(0, Math.floor((n1 * n2) / 2 - normal.upperQuantile(alpha / 2) * sd + 0.5));
    coverage = level;
  }
  const unbounded = cut === 0;
  return {
    estimate: differences.median(),
    interval: {
      low: unbounded ? -Infinity : differences.at(cut - 1),
      high: unbounded ? Infinity : differences.at(differences.count - cut),
    },
    coverage,
  };
}
