import { signedSums } from '../distributions/counted';
import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { quantile, sortedUp } from '../numeric/quantile';
import type { Shift } from './hodges-lehmann';
import { checkedLevel } from './interval';

/**
 * Hodges–Lehmann centre of paired differences: the median of all Walsh averages (dᵢ + dⱼ)/2, with the interval that goes
 * with the signed-rank test. Source: Walsh (1949), Hodges & Lehmann (1963).
 * @throws DomainError without differences, or with more than 2800 of them
 */
export function signedRankShift(differences: readonly number[], level: number): Shift {
  const n = differences.length;
  demand(n > 0, 'There are no differences.');
  demand(n <= 2800, 'There are too many differences to take all their averages in pairs.');
  const averages = sortedUp(differences.flatMap((x, i) => differences.slice(i).map((y) => (x + y) / 2)));
  const tail = (1 - checkedLevel(level)) / 2;
  let cut = 0;
  let coverage = level;
  if (n <= 200) {
    // W⁺ of untied differences: the signed sums of 1 … n come in steps of two, W⁺ in steps of one.
    const { counts, total } = signedSums(Array.from({ length: n }, (_, i) => i + 1));
    let below = 0;
    while (2 * cut < counts.length && (below + (counts[2 * cut] ?? 0)) / total <= tail) below += counts[2 * cut++] ?? 0;
    coverage = 1 - (2 * below) / total;
  } else {
    const sd = Math.sqrt((n * (n + 1) * (2 * n + 1)) / 24);
    cut = Math.max(0, Math.floor((n * (n + 1)) / 4 - normal.upperQuantile(tail) * sd - 0.5));
  }
  return {
    estimate: quantile(averages, 0.5),
    interval: {
      low: cut === 0 ? -Infinity : (averages[cut - 1] ?? -Infinity),
      high: cut === 0 ? Infinity : (averages[averages.length - cut] ?? Infinity),
    },
    coverage,
  };
}
