/** Whether columns of numbers are one measure in several groups, or different measures. */
import { unitOf } from '../readings/units';
import type { Evidence } from './evidence';
import type { Seen } from './seen';
import { sharedStem, turnName, variableIn } from './vocabulary';
import { nth } from '../numeric/nth';

/** Quotient of the largest and the smallest, of sizes that are not zero. */
function ratio(sizes: readonly number[]): number {
  const positive = sizes.map(Math.abs).filter((x) => x > 0);
  return positive.length < 2 ? 1 : Math.max(...positive) / Math.min(...positive);
}

/** Whether several units are of one kind, such as mm and cm. */
export function mixedUnits(columns: readonly Pick<Seen, 'unit'>[]): boolean {
  const units = new Set(columns.flatMap((c) => (c.unit ? [c.unit] : [])));
  const dimensions = new Set([...units].map((u) => unitOf(u)?.dimension ?? u));
  return units.size > 1 && dimensions.size === 1;
}

/** Evidence that columns are one measure; what speaks against it weighs less than nothing. */
export function alike(columns: readonly Seen[]): Evidence[] {
  const found: Evidence[] = [];
  const say = (weight: number, why: string): void => void found.push({ weight, why });
  const units = new Set(columns.flatMap((c) => (c.unit ? [c.unit] : [])));
  const mixed = mixedUnits(columns);
  if (units.size > 1 && !mixed) say(-6, `the columns are in different units (${[...units].join(', ')})`);
  else if (mixed) say(1, 'the columns are in units of one kind');
  else if (units.size === 1) say(2, `one unit, ${nth([...units], 0)}`);
  const names = columns.map((c) => c.name);
  const variables = names.map(variableIn);
  const different = new Set(variables.filter((v) => v !== undefined));
  const stem = sharedStem(names);
  if (different.size > 1)
    say(-5, `the columns are named after different things (${[...different].slice(0, 3).join(', ')})`);
  else if (different.size === 1 && variables.some((v) => v === undefined) && !names.every((n) => turnName.test(n)))
    say(-3, `one column is named after what is measured (${nth([...different], 0)})`);
  if (stem !== undefined) say(1, `the columns are numbered (${stem} …)`);
  // In two units of one kind neither size nor precision tells anything.
  if (mixed || columns.length < 2) return found;
  // A handful of readings tell nothing about their size.
  const few = columns.some((c) => c.numbers.length < 4);
  const overlap = columns.every((a) => columns.every((b) => a.low <= b.high && b.low <= a.high));
  const apart = ratio(columns.map((c) => c.median));
  if (overlap) say(apart > 3.5 ? 0 : 1.5, 'their readings are of one size');
  else if (few) say(0.5, 'too few readings tell of their size');
  else if (apart > 8) say(-3.5, 'their readings are of very different size');
  else if (apart > 3.5) say(-1.5, 'their readings are of different size');
  else say(1, 'their readings are of one size');
  if (few) return found;
  const digits = columns.map((c) => c.decimals);
  const apartBy = Math.max(...digits) - Math.min(...digits);
  if (apartBy > 1) say(-2, 'they are written with different precision');
  else if (apartBy === 0) say(0.5, 'they are written with one precision');
  return found;
}
