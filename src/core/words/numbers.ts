/** How numbers are written in sentences and tables. */
export { counted, plural } from '../readings/counted';
import { mostOf } from '../numeric/extremes';
import { type Interval, alphaOf } from '../procedures/interval';

const superscripts: Record<string, string> = Object.fromEntries(
  Array.from('0123456789-', (c, i) => [c, '⁰¹²³⁴⁵⁶⁷⁸⁹⁻'[i] ?? c]),
);

const superscript = (exponent: string): string => exponent.replace('+', '').replace(/./g, (c) => superscripts[c] ?? c);

/** A power of ten in scientific notation: "3.2 × 10⁻⁷". */
export function scientific(x: number, digits = 2): string {
  const [mantissa = '', exponent = '0'] = x.toExponential(digits - 1).split('e');
  return `${mantissa.replace('-', '−')} × 10${superscript(exponent)}`;
}

/** A number with so many decimals and a true minus sign; very large and very small ones in scientific notation. */
export function fixed(x: number, decimals: number): string {
  if (!Number.isFinite(x)) return x > 0 ? '∞' : '−∞';
  const size = Math.abs(x);
  // Large numbers that differ in their last digits keep them; those beyond what a reader counts are powers of ten.
  if (size >= (decimals > 0 ? 1e13 : 1e9) || (size > 0 && decimals > 9)) return scientific(x, 4);
  const written = x.toFixed(Math.min(20, Math.max(0, decimals)));
  return Number(written) === 0 ? written.replace('-', '') : written.replace('-', '−');
}

/** A number a person chose, with all its digits, a true minus sign, and none of the dust of a computation. */
export const given = (x: number): string => {
  const [mantissa = '', exponent] = String(Number(x.toPrecision(12))).split('e');
  return `${mantissa}${exponent === undefined ? '' : ` × 10${superscript(exponent)}`}`.replace(/^-/, '−');
};

/** A number with so many significant figures, in scientific notation outside 0.0001 to a million. */
export function significant(x: number, digits: number): string {
  if (x === 0) return '0';
  const exponent = Math.floor(Math.log10(Math.abs(x)));
  if (exponent < -4 || exponent >= 6) return scientific(x, digits);
  return fixed(x, digits - 1 - exponent);
}

/** Decimals that show a width to two figures: an estimate is written as precisely as its interval supports. */
export function decimalsFor(width: number): number {
  if (!(width > 0) || !Number.isFinite(width)) return 2;
  return Math.max(0, 1 - Math.floor(Math.log10(width) + 1e-9));
}

/**
 * Decimals for an estimate and both ends of its interval: two figures of its half-width, and up to two more where an end
 * would be rounded to 0, for on which side of 0 it lies is what one looks for.
 */
export function intervalDecimals({ low, high }: Interval): number {
  const least = decimalsFor((high - low) / 2);
  const vanishes = (x: number, decimals: number): boolean => x !== 0 && Number(x.toFixed(Math.min(20, decimals))) === 0;
  for (const decimals of [least, least + 1, least + 2])
    if (!vanishes(low, decimals) && !vanishes(high, decimals)) return decimals;
  return least;
}

/**
 * Decimals for an estimate with its interval: the interval's own, and up to two more where the estimate would be rounded
 * by more than a tenth of itself, so that what is printed is the difference there is. An interval without an end is as
 * wide as its other half; without one there are two figures and at least two decimals.
 */
export function effectDecimals({ estimate, interval }: { estimate: number; interval?: Interval | undefined }): number {
  const reach = [interval?.low, interval?.high].flatMap((end) =>
    end !== undefined && Number.isFinite(end) ? [Math.abs(end - estimate)] : [],
  );
  if (!interval || reach.length === 0)
    return estimate === 0 ? 2 : Math.min(8, Math.max(2, 1 - Math.floor(Math.log10(Math.abs(estimate)))));
  const half = mostOf(reach);
  const least =
    reach.length === 2 ? intervalDecimals(interval) : intervalDecimals({ low: estimate - half, high: estimate + half });
  const isNear = (decimals: number): boolean =>
    Math.abs(Number(estimate.toFixed(Math.min(20, decimals))) - estimate) <= Math.abs(estimate) / 10;
  return [least, least + 1, least + 2].find(isNear) ?? least;
}

/**
 * Decimals for effects that stand one below the other: each one's own, and up to three more where two whose intervals
 * differ would be printed alike.
 */
export function tellingDecimals(effects: readonly { estimate: number; interval?: Interval | undefined }[]): number[] {
  const differ = (a: Interval, b: Interval): boolean =>
    [a.low - b.low, a.high - b.high].some((gap) => Math.abs(gap) > 1e-9 * Math.abs(a.high - a.low));
  return effects.map((effect) => {
    const least = effectDecimals(effect);
    const { interval } = effect;
    if (!interval) return least;
    const others = effects.flatMap((e) => (e.interval && differ(e.interval, interval) ? [e.interval] : []));
    const isTelling = (decimals: number): boolean =>
      others.every((other) => between(other, decimals) !== between(interval, decimals));
    return [least, least + 1, least + 2, least + 3].find(isTelling) ?? least;
  });
}

/** Decimals for a group's mean and spread: one more than its readings were given with, fewer where the spread is wide. */
export function meanDecimals({ decimals, summary }: { decimals: number; summary?: { variance: number } }): number {
  const sd = summary && Math.sqrt(summary.variance);
  if (sd === undefined || !(sd > 0)) return Math.min(decimals + 1, 8);
  // Readings of a size that six decimals cannot show are written as precisely as their spread asks.
  return Math.min(Math.max(decimals + 1, decimalsFor(sd)), decimalsFor(sd) + 2);
}

/** "1.9 to 6.7", both ends to the interval's own precision unless decimals are given. */
export const between = (interval: Interval, decimals = intervalDecimals(interval)): string =>
  `${fixed(interval.low, decimals)} to ${fixed(interval.high, decimals)}`;

/** "at α = 0.05": where a decision is made at a confidence level. */
export const atAlpha = (level: number): string => `at α = ${alphaOf(level)}`;

/** "95 %" with as many decimals as the level has. */
export const percent = (share: number): string => `${Number((share * 100).toPrecision(8))} %`;

/** A power in percent: "80.1 %"; what is not certain is never printed as 100 %, nor what can happen as 0 %. */
export function powerPercent(power: number, decimals = 1): string {
  const least = 10 ** -decimals;
  if (power > 1 - least / 200) return `more than ${fixed(100 - least, decimals)} %`;
  return power < least / 200 ? `less than ${fixed(least, decimals)} %` : `${fixed(100 * power, decimals)} %`;
}

/**
 * A p-value as journals print it: two decimals from 0.1 up, three below, "< 0.001" under that, never 0; one decimal
 * more where rounding would land on 0.05.
 */
export function pValue(p: number): string {
  if (p < 0.001) return '< 0.001';
  if (p > 0.999) return '> 0.999';
  const decimals = p >= 0.0995 ? 2 : 3;
  const shown = p.toFixed(decimals);
  return Number(shown) === 0.05 && p !== 0.05 ? p.toFixed(4) : shown;
}

/** A p-value under 0.001 in full: "3.2 × 10⁻⁷"; past the end of numbers "< 10⁻³⁰⁰", or by its logarithm where that is known. */
export function smallP(p: number, digits: number, log10P?: number): string {
  if (log10P !== undefined) {
    const exponent = Math.floor(log10P);
    return `${(10 ** (log10P - exponent)).toFixed(digits - 1)} × 10${superscript(String(exponent))}`;
  }
  return p < 1e-300 ? '< 10⁻³⁰⁰' : scientific(p, digits);
}

/** The p-value with its relation: "= 0.012", "< 0.001". */
export function pRelation(p: number): string {
  const shown = pValue(p);
  return shown.startsWith('<') || shown.startsWith('>') ? shown : `= ${shown}`;
}

/** Degrees of freedom: whole where they are whole, else one decimal. */
export const degreesOfFreedom = (df: number): string =>
  Number.isInteger(df) ? String(df) : fixed(df, df < 10 ? 2 : 1);
