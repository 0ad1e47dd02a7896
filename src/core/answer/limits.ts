/** Readings known only to lie below a limit of detection. */
import { demand } from '../numeric/domain-error';
import { mostOf } from '../numeric/extremes';
import { sum } from '../numeric/sum';
import type { Censored } from '../procedures/censored-normal';
import type { Reading } from '../readings/read-column';
import type { Comparison } from './comparison';
import { type GroupPart, valuesOf } from './group-part';

const isBelow = ({ limited }: Pick<Reading, 'limited'>): boolean => limited === 'censored';

/** Whether any reading of these groups is known only to lie below a limit. */
export const hasBelow = (parts: readonly GroupPart[]): boolean => parts.some((g) => g.below !== undefined);

/** A group's readings, each by its value or by the limit it lies below. */
export const censoredOf = ({ readings }: GroupPart): Censored[] =>
  readings.used.map((r) => ({ value: r.value, below: isBelow(r) }));

/**
 * The readings of each group for their ranks: what lies below the highest limit, measured or not, is tied at the bottom,
 * for which of them is the larger cannot be told. Without limits they stay as they are.
 */
export function tiedBelow(parts: readonly GroupPart[]): (readonly number[])[] {
  if (!hasBelow(parts)) return parts.map(valuesOf);
  const limit = mostOf(parts.flatMap((g) => g.below?.limit ?? []));
  const bottom = limit - Math.max(1, Math.abs(limit));
  return parts.map((g) => g.readings.used.map((r) => (isBelow(r) || r.value < limit ? bottom : r.value)));
}

/** @throws DomainError where a method needs a number for every reading, and some have none */
export function demandNumbers(parts: readonly GroupPart[]): void {
  const count = sum(parts.map((g) => g.below?.count ?? 0));
  demand(
    count === 0,
    `${count === 1 ? 'One reading lies' : `${count} readings lie`} below a limit and ${count === 1 ? 'has' : 'have'} no number of ${count === 1 ? 'its' : 'their'} own, which this method needs. Compare independent groups by likelihood or by ranks, ask for the share beyond the limit, or say in the readings what such cells count as.`,
  );
}

/** The groups by the means and the spread of greatest likelihood. */
export const asLikely = (parts: readonly GroupPart[], { likelihood }: Comparison): GroupPart[] =>
  parts.map((part, g) => {
    const mean = likelihood?.means[g];
    if (mean === undefined || !likelihood) return part;
    const { interval: _, description, summary: __, ...rest } = part;
    return {
      ...rest,
      ...(description ? { description: { ...description, mean } } : {}),
      summary: { n: part.n, mean, variance: likelihood.sd ** 2 },
    };
  });
