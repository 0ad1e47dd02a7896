import { addTo } from '../numeric/add-to';
import { nth } from '../numeric/nth';
import { leastOf } from '../numeric/extremes';
import { type TailProbabilities } from './direction';
import { sampledP } from './shuffle-means';
import { tally } from '../numeric/tally';

/** Different values up to which a distribution is shown value by value. */
const fewValues = 61;
/** Stretches a picture is cut into, about, and how much finer they are kept. */
const shown = 56;
const finer = 32;
/** Statistics from which on the stretches stay. */
const settled = 10_000;

/**
 * Stretches of the axis that statistics are counted into: from `from`, a whole number of stretches off 0. The observed
 * statistic lies on an edge of the coarse ones, so that a tail is whole bars; what lies outside counts at the ends.
 */
export interface Grid {
  from: number;
  width: number;
  count: number;
}

/** What some statistics add up to; adding the tallies of parts gives that of the whole. */
export interface Tally {
  greater: number;
  less: number;
  either: number;
  /** Sums of the distances from the observed statistic, and of their squares. */
  sum: number;
  squares: number;
  low: number;
  high: number;
  /** Each value and how often it came, while they are few. */
  few: [number, number][] | undefined;
  bins: Uint32Array | undefined;
}

/** The stretch a statistic counts into; ties at an edge count outwards. */
function placeOf(x: number, { from, width, count }: Grid): number {
  const k = Math.floor((x - from) / width + (x >= 0 ? 1e-9 : -1e-9));
  return k < 0 ? 0 : k >= count ? count - 1 : k;
}

function binned(statistics: Float64Array, grid: Grid): Uint32Array {
  const bins = new Uint32Array(grid.count);
  for (const x of statistics) {
    const k = placeOf(x, grid);
    addTo(bins, k, 1);
  }
  return bins;
}

/** Values between two others: a plain loop, for a million of them. */
function between(values: Float64Array, low: number, high: number): number[] {
  const out: number[] = [];
  for (let i = 0; i < values.length; i++) {
    const x = nth(values, i);
    if (x > low && x < high) out.push(x);
  }
  return out;
}

function counted(statistics: Float64Array): [number, number][] | undefined {
  const counts = new Map<number, number>();
  for (const x of statistics) {
    if (!Number.isFinite(x)) return undefined;
    // Values that differ by rounding alone are one.
    const value = Number(x.toPrecision(9));
    tally(counts, value);
    if (counts.size > fewValues) return undefined;
  }
  return [...counts];
}

/**
 * What statistics add up to.
 * @param slack those no further apart differ by rounding alone
 */
export function tallyOf(statistics: Float64Array, observed: number, slack: number, grid?: Grid): Tally {
  const far = Math.abs(observed) - slack;
  let [greater, less, either, sum, squares, low, high] = [0, 0, 0, 0, 0, Infinity, -Infinity];
  for (const x of statistics) {
    if (x >= observed - slack) greater += 1;
    if (x <= observed + slack) less += 1;
    if (Math.abs(x) >= far) either += 1;
    // A t without spread is endless: it counts in its tail, and has no place on the axis.
    if (!Number.isFinite(x)) continue;
    if (x < low) low = x;
    if (x > high) high = x;
    const away = x - observed;
    sum += away;
    squares += away * away;
  }
  const bins = grid && binned(statistics, grid);
  return { greater, less, either, sum, squares, low, high, few: counted(statistics), bins };
}

/** The place a distribution is cut at: no observed statistic up to it would pass, any beyond would. */
export interface Cut {
  at: number;
  /** The share of arrangements beyond it. */
  beyond: number;
}

/** The statistics of arrangements as they come in: how many reach as far as the one observed, and how they lie. */
export class Gathered {
  private readonly parts: Float64Array[] = [];
  private few: Map<number, number> | undefined = new Map<number, number>();
  private sum = 0;
  private squares = 0;
  private bins: Uint32Array = new Uint32Array(0);
  private grid: Grid = { from: 0, width: 1, count: 0 };
  n = 0;
  low = Infinity;
  high = -Infinity;
  readonly counts = { greater: 0, less: 0, either: 0 };

  /** @param slack statistics no further apart differ by rounding alone */
  constructor(
    readonly observed: number,
    readonly slack: number,
  ) {}

  /** The stretches, once they stay: what comes may be tallied into them elsewhere. */
  get lastingGrid(): Grid | undefined {
    return this.n >= settled ? this.grid : undefined;
  }

  /** Takes statistics in, with their tally where it was made elsewhere. */
  add(statistics: Float64Array, tally = tallyOf(statistics, this.observed, this.slack, this.lastingGrid)): void {
    const staying = this.lastingGrid;
    this.parts.push(statistics);
    this.n += statistics.length;
    for (const tail of ['greater', 'less', 'either'] as const) this.counts[tail] += tally[tail];
    this.sum += tally.sum;
    this.squares += tally.squares;
    this.low = Math.min(this.low, tally.low);
    this.high = Math.max(this.high, tally.high);
    this.addFew(tally);
    if (staying) {
      const more = tally.bins ?? binned(statistics, staying);
      for (let k = 0; k < more.length; k++) addTo(this.bins, k, nth(more, k));
    } else {
      this.grid = this.laidOut();
      this.bins = binned(this.values(), this.grid);
    }
  }

  private addFew({ few }: Tally): void {
    if (!few) this.few = undefined;
    for (const [value, count] of few ?? []) this.few?.set(value, (this.few.get(value) ?? 0) + count);
    if ((this.few?.size ?? 0) > fewValues) this.few = undefined;
  }

  private laidOut(): Grid {
    const about = (this.high - this.low) / shown || Math.abs(this.observed) || 1;
    const far = Math.abs(this.observed);
    const width = (far > about / 2 ? far / Math.round(far / about) : about) / finer;
    // Room for what a hundred times as many would reach.
    const room = 0.8 * (this.high - this.low) + width;
    const from = Math.floor((this.low - room) / (width * finer)) * width * finer;
    return { from, width, count: Math.ceil((this.high + room - from) / width) };
  }

  /** Those that came, in their order. */
  values(): Float64Array {
    const all = new Float64Array(this.n);
    let at = 0;
    for (const part of this.parts) {
      all.set(part, at);
      at += part.length;
    }
    return all;
  }

  /** The share of arrangements at least as far out, the one observed among them. */
  p = (tail: keyof TailProbabilities): number => sampledP(this.counts[tail], this.n);

  /** Spread of the statistic over arrangements: its standard error. */
  get se(): number {
    return this.n < 2 ? NaN : Math.sqrt(Math.max(0, this.squares - this.sum ** 2 / this.n) / (this.n - 1));
  }

  /** Each value and how often it came, where there are few; else undefined. */
  fewValues = (): [number, number][] | undefined =>
    this.few && this.n > 0 ? [...this.few].sort(([x], [y]) => x - y) : undefined;

  /** Bars of a picture: where each begins and ends, and how many fell there. */
  bars(): { from: number; to: number; count: number }[] {
    const { from, width } = this.grid;
    const out: { from: number; to: number; count: number }[] = [];
    for (let k = 0; k < this.bins.length; k += finer) {
      const count = this.bins.subarray(k, k + finer).reduce((s, x) => s + x, 0);
      if (count > 0) out.push({ from: from + k * width, to: from + (k + finer) * width, count });
    }
    return out;
  }

  /**
   * The statistic that must be exceeded to pass at `alpha`; undefined while too few have come for any to pass.
   * @param closely to the last digit; else to a stretch of the grid, which takes no time while more are coming
   */
  cut(tail: keyof TailProbabilities, alpha: number, closely = true): Cut | undefined {
    const may = Math.floor(alpha * (this.n + 1) + 1e-9) - 1;
    if (may < 0) return undefined;
    const { grid, bins } = this;
    // Bins from the outermost inwards, in pairs where both tails count: 0 lies on an edge.
    const zero = Math.round(-grid.from / grid.width);
    const last = bins.length - 1;
    const steps = tail === 'either' ? Math.max(zero, bins.length - zero) : bins.length;
    const places = (step: number): number[] =>
      tail === 'greater'
        ? [last - step]
        : tail === 'less'
          ? [step]
          : [zero + (steps - 1 - step), zero - 1 - (steps - 1 - step)].filter((k) => k >= 0 && k <= last);
    let beyond = 0;
    let step = 0;
    const here = (): number => places(step).reduce((s, k) => s + nth(bins, k), 0);
    while (step < steps - 1 && beyond + here() <= may) {
      beyond += here();
      step += 1;
    }
    const inside = places(step);
    const edge = (k: number): number => grid.from + k * grid.width;
    const key = (x: number): number => (tail === 'less' ? -x : tail === 'either' ? Math.abs(x) : x);
    const found: number[] = [];
    if (!closely) {
      const inner = leastOf(inside.map((k) => Math.min(key(edge(k)), key(edge(k + 1)))));
      return { at: tail === 'less' ? -inner : inner, beyond: (beyond + here()) / this.n };
    }
    for (const k of inside) {
      // A tie at an edge may lie a hair outside its stretch.
      const [low, high] = [
        k === 0 ? -Infinity : edge(k) - grid.width,
        k === last ? Infinity : edge(k + 1) + grid.width,
      ];
      for (const part of this.parts)
        for (const x of between(part, low, high)) if (placeOf(x, grid) === k) found.push(key(x));
    }
    found.sort((x, y) => y - x);
    const at = nth(found, may - beyond);
    beyond += found.filter((x) => x > at + this.slack).length;
    return { at: tail === 'less' ? -at : at, beyond: beyond / this.n };
  }
}
