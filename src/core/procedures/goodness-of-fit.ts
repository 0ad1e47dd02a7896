import { chiSquare } from '../distributions/chi-square';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';

export interface GoodnessOfFit {
  chi2: number;
  df: number;
  p: number;
  expected: number[];
  standardized: number[];
}

/**
 * Chi-square test of counts against stated proportions, given as shares or as a ratio such as 9:3:3:1.
 * Assumes independent counts, expected counts of 5 or more in most classes. Source: Pearson (1900).
 */
export function goodnessOfFit(observed: readonly number[], ratio: readonly number[]): GoodnessOfFit {
  demand(observed.length >= 2, 'At least two classes are needed.');
  demand(
    observed.length === ratio.length,
    `There are ${observed.length} counts and ${ratio.length} proportions: give one for each.`,
  );
  demand(
    observed.every((o) => Number.isInteger(o) && o >= 0),
    'Counts must be whole numbers, 0 or more.',
  );
  demand(
    ratio.every((r) => r > 0),
    'Every stated proportion must be above 0.',
  );
  const total = sum(observed);
  demand(total > 0, 'Nothing was counted.');
  const whole = sum(ratio);
  const expected = ratio.map((r) => (total * r) / whole);
  const chi2 = sum(observed.map((o, i) => (o - (expected[i] ?? 1)) ** 2 / (expected[i] ?? 1)));
  const df = observed.length - 1;
  return {
    chi2,
    df,
    p: Math.max(chiSquare(df).upper(chi2), Number.MIN_VALUE),
    expected,
    standardized: observed.map((o, i) => (o - (expected[i] ?? 1)) / Math.sqrt(expected[i] ?? 1)),
  };
}
