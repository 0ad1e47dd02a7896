import { nth } from '../numeric/nth';
import { signedSums } from '../distributions/counted';
import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { allAverages } from '../numeric/pair-selection';
import type { Shift } from './hodges-lehmann';
import { checkedLevel } from './interval';

/**
 * Hodges–Lehmann centre of paired differences: the median of all Walsh averages (dᵢ + dⱼ)/2, with the interval that goes
 * with the signed-rank test. Source: Walsh (1949), Hodges & Lehmann (1963).
 * The averages are never listed, so that there may be any number of differences.
 * @throws DomainError without differences
 */
export function signedRankShift(differences: readonly number[], level: number): Shift {
  const n = differences.length;
  demand(n > 0, 'There are no differences.');
  const averages = allAverages(differences);
  const tail = (1 - checkedLevel(level)) / 2;
  let cut = 0;
  let coverage = level;
  if (n <= 200) {
    // W⁺ of untied differences: the signed sums of 1 … n come in steps of two, W⁺ in steps of one.
    const { counts, total } = signedSums(Array.from({ length: n }, (_, i) => i + 1));
    let below = 0;
    while (2 * cut < counts.length && (below + nth(counts, 2 * cut)) / total <= tail) below += nth(counts, 2 * cut++);
    coverage = 1 - (2 * below) / total;
  } else {
    const sd = Math.sqrt((n * (n + 1) * (2 * n + 1)) / 24);
    // The least W⁺ that the test with its correction for continuity does not reject.
    cut = Math.max(0, Math.floor((n * (n + 1)) / 4 - normal.upperQuantile(tail) * sd + 0.5));
  }
  return {
    estimate: averages.median(),
    interval: {
      low: cut === 0 ? -Infinity : averages.at(cut - 1),
      high: cut === 0 ? Infinity : averages.at(averages.count - cut),
    },
    coverage,
  };
}
