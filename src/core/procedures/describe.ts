import { nth } from '../numeric/nth';
import { studentT } from '../distributions/t';
import { type Interval, checkedLevel } from './interval';
import { demand } from '../numeric/domain-error';
import { minus } from '../numeric/decimals';
import { leastOf, mostOf } from '../numeric/extremes';
import { type QuartileRule, quantilesOf } from '../numeric/quantile';
import { type Moments, moments, sum } from '../numeric/sum';
import type { SampleSummary } from './sample-summary';

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
  /** Sample-adjusted skewness G₁ and excess kurtosis G₂; undefined without spread, or with fewer than 3 and 4 values. */
  skewness?: number;
  excessKurtosis?: number;
  /** The same of the values taken as the whole population, g₁ and g₂: standardized third and fourth moments. */
  populationSkewness?: number;
  populationExcessKurtosis?: number;
}

/**
 * Describes values. Sample figures by default, population figures beside them under their own names.
 * Source: Fisher (1930) for g₁ and g₂; Joanes & Gill (1998) for G₁ and G₂; Hyndman & Fan (1996) for quartiles.
 * @example describe([2, 4, 9]).mean // 5
 * @throws DomainError with no values
 */
export function describe(values: readonly number[], rule: QuartileRule = 'linear'): Description {
  return describedFrom(values, momentsOf(values), rule);
}

const momentsOf = (values: readonly number[]): Moments => {
  demand(values.length > 0, 'There are no readings.');
  return moments(values);
};

/** The description of values together with what tests need of them, found in one pass. */
export function describedWithSummary(values: readonly number[]): { description: Description; summary?: SampleSummary } {
  const found = momentsOf(values);
  const { n, mean, meanRest, sumOfSquares } = found;
  return {
    description: describedFrom(values, found, 'linear'),
    ...(n > 1 ? { summary: { n, mean, meanRest, variance: sumOfSquares / (n - 1) } } : {}),
  };
}

function describedFrom(
  values: readonly number[],
  { n, mean, deviations, sumOfSquares }: Moments,
  rule: QuartileRule,
): Description {
  // The median is the same by every rule.
  const [q1 = mean, median = mean, q3 = mean] = quantilesOf(values, [0.25, 0.5, 0.75], rule);
  const [min, max] = [leastOf(values), mostOf(values)];
  const description: Description = {
    n,
    sum: sum(values),
    mean,
    median,
    min,
    max,
    range: minus(max, min),
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
    let [third, fourth] = [0, 0];
    for (let i = 0; i < n; i++) {
      const z = nth(deviations, i) / scale;
      const square = z * z;
      third += square * z;
      fourth += square * square;
    }
    const [g1, g2] = [third / n, fourth / n - 3];
    description.populationSkewness = g1;
    description.populationExcessKurtosis = g2;
    if (n > 2) description.skewness = (g1 * Math.sqrt(n * (n - 1))) / (n - 2);
    if (n > 3) description.excessKurtosis = ((n - 1) / ((n - 2) * (n - 3))) * ((n + 1) * g2 + 6);
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
