import { dust } from '../numeric/decimals';
import type { Answer } from '../answer/answer';
import type { Reading } from '../readings/read-column';
import { quantile, sortedUp } from '../numeric/quantile';

/** A box plot's figures: quartiles and median, and the last readings within 1.5 interquartile ranges. */
export interface Box {
  q1: number;
  median: number;
  q3: number;
  low: number;
  high: number;
}

/** @param values at least one. Source: Tukey (1977) */
export function boxOf(values: readonly number[]): Box {
  const sorted = sortedUp(values);
  const [q1, median, q3] = [0.25, 0.5, 0.75].map((p) => quantile(sorted, p)) as [number, number, number];
  // A reading on a fence lies within it, whatever rounding made of the fence.
  const reach = 1.5 * (q3 - q1) + 4 * dust * (Math.abs(q1) + Math.abs(q3));
  const within = [...sorted].filter((x) => x >= q1 - reach && x <= q3 + reach);
  const [low, high] = [within[0] ?? q1, within.at(-1) ?? q3];
  return { q1, median, q3, low, high };
}

/** The readings that lie beyond a box's whiskers. */
export const beyondOf = ({ low, high }: Box, readings: readonly Reading[]): Reading[] =>
  readings.filter(({ value }) => value < low || value > high);

/** Those of them that are named in a picture, from the least: all of a few, none of many. */
export const namedBeyond = (beyond: readonly Reading[]): Reading[] =>
  beyond.length > 6 ? [] : [...beyond].sort((p, q) => p.value - q.value);

/** What a reading goes by: its label or subject, else its row. */
export const readingName = ({ row }: Pick<Reading, 'row'>, names: Answer['rowNames']): string => {
  const name = names?.[row]?.trim() ?? '';
  return name === '' ? `row ${row + 1}` : name;
};
