import { studentT } from '../distributions/t';
import { type Interval, checkedLevel } from './interval';
import { demand } from '../numeric/domain-error';
import { type QuartileRule, quantile, sortedUp } from '../numeric/quantile';
import { moments, sum } from '../numeric/sum';

/** Figures describing one set of values. What needs two values, or some spread, is undefined without them. */
export interface Description {
  n: number;
  sum: number;
  mean: number;
  median: number;
  min: number;
  max: number;
  range: number;
  q1: number;
  q3: number;
  iqr: number;
  /** Sample variance, divisor n − 1; squared units. */
  variance?: number;
  /** Sample standard deviation, divisor n − 1. */
  sd?: number;
  /** Standard error of the mean, sd/√n. */
  sem?: number;
  /** Variance and SD of the values taken as the whole population, divisor n. */
  populationVariance: number;
  populationSd: number;
  /** Coefficient of variation sd/|mean|, a ratio; undefined when the mean is 0. */
  cv?: number;
  /** Moment skewness g₁ and excess kurtosis g₂; undefined without spread. */
  skewness?: number;
  excessKurtosis?: number;
}

/**
 * Describes values. Sample figures by default, population figures beside them under their own names.
 * Source: Fisher (1930) for g₁ and g₂; Hyndman & Fan (1996) for quartiles.
 * @example describe([2, 4, 9]).mean // 5
 * @throws DomainError with no values
 */
export function describe(values: readonly number[], rule: QuartileRule = 'linear'): Description {
  demand(values.length > 0, 'There are no readings.');
  const { n, mean, deviations, sumOfSquares } = moments(values);
  const sorted = sortedUp(values);
  const min = sorted[0] ?? mean;
  const max = sorted[n - 1] ?? mean;
  const q1 = quantile(sorted, 0.25, rule);
  const q3 = quantile(sorted, 0.75, rule);
  const description: Description = {
    n,
    sum: sum(values),
    mean,
    median: quantile(sorted, 0.5),
    min,
    max,
    range: max - min,
    q1,
    q3,
    iqr: q3 - q1,
    populationVariance: sumOfSquares / n,
    populationSd: Math.sqrt(sumOfSquares / n),
  };
  if (n > 1) {
    description.variance = sumOfSquares / (n - 1);
    description.sd = Math.sqrt(description.variance);
    description.sem = description.sd / Math.sqrt(n);
    if (mean !== 0) description.cv = description.sd / Math.abs(mean);
  }
  const scale = description.populationSd;
  if (scale > 0) {
    const power = (k: number): number => sum(deviations.map((d) => (d / scale) ** k)) / n;
    description.skewness = power(3);
    description.excessKurtosis = power(4) - 3;
  }
  return description;
}

/**
 * Interval for the mean, mean ± t·sd/√n. Source: Student (1908).
 * @param level confidence level, between 0 and 1
 * @throws DomainError with fewer than two values, or when all are the same
 */
export function meanInterval(description: Description, level: number): Interval {
  const { n, mean, sem } = description;
  demand(sem !== undefined, 'One reading alone gives no interval: at least two are needed.');
  demand(sem > 0, 'All readings are the same: without spread there is no interval.');
  const reach = studentT(n - 1).upperQuantile((1 - checkedLevel(level)) / 2) * sem;
  return { low: mean - reach, high: mean + reach };
}
