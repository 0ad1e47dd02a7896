import { passes } from '../procedures/interval';
import type { Comparison } from './comparison';

/** With the verdict of its p. */
const verdict = <T extends { p?: number }>(one: T, level: number): T & { significant?: boolean } =>
  one.p === undefined ? one : { ...one, significant: passes(one.p, level) };

/**
 * An answer with the verdict of each of its tests: whether its p is below α. Said here once; words, tables and pictures
 * go by it.
 */
export function judged(comparison: Comparison, level: number): Comparison {
  const { effect, tests, follow, also } = comparison;
  const all = <T extends { p?: number }>(some: readonly T[]): T[] => some.map((one) => verdict(one, level));
  return {
    ...verdict(comparison, level),
    tests: all(tests),
    ...(effect ? { effect: verdict(effect, level) } : {}),
    ...(also ? { also: all(also) } : {}),
    ...(follow?.ok
      ? { follow: { ok: true, value: follow.value.map((part) => ({ ...part, effects: all(part.effects) })) } }
      : {}),
  };
}
