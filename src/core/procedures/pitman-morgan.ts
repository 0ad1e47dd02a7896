import { nth } from '../numeric/nth';
import { studentT } from '../distributions/t';
import { demand } from '../numeric/domain-error';
import { moments, sum } from '../numeric/sum';
import { type TailProbabilities, symmetricTails } from './direction';
import { type Interval, checkedLevel } from './interval';

export interface PitmanMorgan {
  /** Ratio of the variances, first over second. */
  ratio: number;
  /** Correlation of the sums with the differences of each pair: 0 where the variances are equal. */
  correlation: number;
  t: number;
  df: number;
  p: TailProbabilities;
  /** Interval of the ratio of variances. */
  ratioInterval: Interval;
}

/** Σ of the products of two lists' deviations, over the root of their squares' sums. */
function correlationOf(x: readonly number[], y: readonly number[]): number {
  const [a, b] = [moments(x), moments(y)];
  const products = sum(a.deviations.map((d, i) => d * nth(b.deviations, i)));
  return products / Math.sqrt(a.sumOfSquares * b.sumOfSquares);
}

/**
 * Whether two variances measured on the same subjects differ: sums and differences within pairs are uncorrelated just
 * where the variances are equal. t = r√(n − 2)/√(1 − r²) on n − 2 df. Assumes independent pairs, jointly normal.
 * Source: Pitman (1939), Morgan (1939).
 * @throws DomainError with fewer than three pairs, without spread, or where one is a copy of the other
 */
export function pitmanMorgan(a: readonly number[], b: readonly number[], level: number): PitmanMorgan {
  const n = a.length;
  demand(n === b.length && n > 2, 'Comparing the spreads of pairs needs at least three of them.');
  const [first, second] = [moments(a), moments(b)];
  demand(first.sumOfSquares > 0 && second.sumOfSquares > 0, 'A ratio of spreads needs some spread in both groups.');
  const [x, y] = [first.deviations, second.deviations];
  const [sums, differences] = [x.map((d, i) => d + nth(y, i)), x.map((d, i) => d - nth(y, i))];
  const squares = (v: Float64Array): number => sum(v.map((d) => d * d));
  demand(
    squares(differences) > 1e-24 * squares(sums) && squares(sums) > 1e-24 * squares(differences),
    'All pairs differ by the same amount, so their spreads are equal and nothing is left to test.',
  );
  const df = n - 2;
  const reference = studentT(df);
  const correlation = correlationOf([...sums], [...differences]);
  const t = correlation * Math.sqrt(df / ((1 - correlation) * (1 + correlation)));
  const between = correlationOf(a, b);
  const critical = reference.upperQuantile((1 - checkedLevel(level)) / 2);
  const k = 1 + (2 * (1 - between) * (1 + between) * critical ** 2) / df;
  const reach = k + Math.sqrt(k * k - 1);
  const ratio = first.sumOfSquares / second.sumOfSquares;
  return {
    ratio,
    correlation,
    t,
    df,
    p: symmetricTails(reference, t),
    ratioInterval: { low: ratio / reach, high: ratio * reach },
  };
}
