import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { quantile, sortedUp } from '../numeric/quantile';
import { random } from '../numeric/random';
import { moments } from '../numeric/sum';

export interface QuantilePlot {
  /** Normal quantiles expected at each rank, in SDs; Blom's (i − 3/8)/(n + 1/4). */
  expected: number[];
  /** The values sorted upwards. */
  observed: number[];
  /** Pointwise band in which so many of simulated normal samples of this size lie, in the values' units. */
  low: number[];
  high: number[];
  /** How many points lie outside the band. */
  outside: number;
}

/**
 * Normal quantile plot with a band from simulation: what a normal sample of this size, with this mean and SD, would
 * show. Source: Blom (1958) for the plotting positions; Atkinson (1985) for the envelope.
 * @param level share of simulated samples inside the band at each rank
 * @throws DomainError with fewer than three values, or without spread
 */
export function quantilePlot(values: readonly number[], level: number, seed: number, samples = 500): QuantilePlot {
  const n = values.length;
  demand(n > 2, 'A quantile plot needs at least three readings.');
  const { mean, sumOfSquares } = moments(values);
  const sd = Math.sqrt(sumOfSquares / (n - 1));
  demand(sd > 0, 'All readings are the same: there is no shape to judge.');
  const expected = Array.from({ length: n }, (_, i) => normal.quantile((i + 1 - 0.375) / (n + 0.25)));
  const observed = [...sortedUp(values)];
  const { normal: draw } = random(seed);
  const ranks = Array.from({ length: n }, () => new Float64Array(samples));
  const sample = new Float64Array(n);
  for (let s = 0; s < samples; s++) {
    for (let i = 0; i < n; i++) sample[i] = draw();
    const own = moments([...sample]);
    const spread = Math.sqrt(own.sumOfSquares / (n - 1));
    // Each sample is put on the readings' own mean and SD, as the readings' line is.
    sortedUp(sample).forEach((x, i) => ranks[i]?.set([mean + (sd * (x - own.mean)) / spread], s));
  }
  const tail = (1 - level) / 2;
  const sortedRanks = ranks.map((r) => sortedUp(r));
  const low = sortedRanks.map((r) => quantile(r, tail));
  const high = sortedRanks.map((r) => quantile(r, 1 - tail));
  const outside = observed.filter((x, i) => x < (low[i] ?? x) || x > (high[i] ?? x)).length;
  return { expected, observed, low, high, outside };
}
