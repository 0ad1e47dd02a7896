/** The comparisons an answer made between two groups each: only these may be drawn as brackets or letters. */
import type { Answer } from '../answer/answer';
import { passes } from '../procedures/interval';
import type { Slot } from './slots';

export interface Made {
  /** Ids of the two slots compared. */
  a: string;
  b: string;
  p: number;
  /** Whether the two differ at the question's level. */
  significant: boolean;
}

/** Pairs of levels within a level of the other factor, as pairs of cells. */
function cellsOf(
  slots: readonly Slot[],
  pair: readonly [string, string],
  within: string,
): [string, string] | undefined {
  const at = (level: string): Slot | undefined =>
    slots.find(
      (s) => (s.cluster === level && s.seriesName === within) || (s.series === level && s.clusterName === within),
    );
  const [a, b] = [at(pair[0]), at(pair[1])];
  return a && b && a !== b ? [a.id, b.id] : undefined;
}

/** Every comparison of two slots that the answer made, in its order. */
export function comparisonsMade(answer: Answer, slots: readonly Slot[]): Made[] {
  if (!answer.comparison.ok) return [];
  const { comparison, question, groups } = answer;
  const { effect, follow } = comparison.value;
  const has = (id: string): boolean => slots.some((s) => s.id === id);
  const made = (a: string, b: string, p: number | undefined): Made[] =>
    has(a) && has(b) && p !== undefined ? [{ a, b, p, significant: passes(p, question.level) }] : [];
  if (effect) {
    const [a, b] = groups;
    return a && b ? made(a.id, b.id, comparison.value.p) : [];
  }
  if (!follow?.ok) return [];
  return follow.value.flatMap((part) =>
    part.effects.flatMap(({ pair, p }) => {
      if (!pair) return [];
      if (part.within === undefined) return made(pair[0], pair[1], p);
      const cells = cellsOf(slots, pair, part.within);
      return cells ? made(cells[0], cells[1], p) : [];
    }),
  );
}

/** The letters of groups that do not differ, where all pairs were compared. */
export function lettersMade(answer: Answer): { id: string; letters: string }[] {
  if (!answer.comparison.ok || !answer.comparison.value.follow?.ok) return [];
  const { value } = answer.comparison.value.follow;
  return value.length === 1 && value[0]?.within === undefined ? (value[0]?.letters ?? []) : [];
}
