/** What a point or a mean says of itself where it is pointed at or read out, no digit finer than it is known. */
import type { Answer, GroupPart } from '../answer/answer';
import { meanOf } from '../answer/group-part';
import { decimalsOf } from '../numeric/decimals';
import type { Reading } from '../readings/read-column';
import { fixed, given, meanDecimals } from '../words/numbers';

/** A reading with the digits it was typed with; one that was computed, a logarithm say, with seven figures. */
export const readingText = (x: number): string => given(decimalsOf([x]) < 6 ? x : Number(x.toPrecision(7)));

/** A mean or median of readings of a group, to the decimals of the group's own mean. */
export const meanText = (mean: number, group: Parameters<typeof meanDecimals>[0]): string =>
  fixed(mean, meanDecimals(group));

/** "mean 12.4", "geometric mean 3.1"; nothing of a group without one. */
export function meanTold(group: GroupPart): string | undefined {
  const mean = meanOf(group);
  return mean === undefined ? undefined : `${group.geometric ? 'geometric mean' : 'mean'} ${meanText(mean, group)}`;
}

/** What the point of a mean says: "mean of Red lamp: 35.1". */
export function meanTitle(group: GroupPart, name = group.name): string {
  const mean = meanOf(group);
  return `${group.geometric ? 'geometric mean' : 'mean'} of ${name}: ${mean === undefined ? 'none' : meanText(mean, group)}`;
}

/** What the point of a reading says: its group, its row with its label, its value. */
export function pointTitle(
  { row, value, rows, limited }: Reading,
  group: Parameters<typeof meanDecimals>[0] & { name: string },
  names?: Answer['rowNames'],
  name = group.name,
): string {
  const label = names?.[row]?.trim();
  const averaged = rows && rows.length > 1;
  const where = averaged ? `mean of ${rows.length} readings` : `row ${row + 1}`;
  const told = averaged ? meanText(value, group) : readingText(value);
  return `${name}, ${where}${label ? ` (${label})` : ''}: ${limited === 'censored' ? 'below ' : ''}${told}`;
}
