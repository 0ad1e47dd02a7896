import type { Comparison } from '../answer/comparison';
import type { Direction } from '../procedures/direction';

interface Judged {
  /** Whether the hypothesis of none was rejected at the level. */
  settled: boolean | undefined;
  direction: Direction;
  /** What was seen: readings or counts. */
  seen: 'readings' | 'counts';
  /** What no effect would be: "a difference of zero"; `are` where it is a plural. */
  none: string;
  are?: boolean;
  /** What is not ruled out, where it is said otherwise than `none`. */
  open?: string;
  /** What not rejecting does not show: "that there is none". */
  shown?: string;
  /** What a direction claims: "it is greater in Red lamp". */
  claim: string;
}

/** What a test says and what it does not, for someone who is no statistician. */
export function verdictOn({ settled, direction, seen, none, are, open, shown, claim }: Judged): string {
  if (direction !== 'either') return `the ${seen} ${settled ? 'support' : 'do not show'} that ${claim}`;
  if (settled) return `${none} ${are ? 'are' : 'is'} not compatible with these ${seen}`;
  return `these ${seen} do not rule out ${open ?? none}${shown ? `, nor do they show ${shown}` : ''}`;
}

/** How surely several comparisons hold: how many of how many differ. */
export function toldSignificant({ follow }: Comparison): { significant: number; all: number } {
  const effects = follow?.ok ? follow.value.flatMap((part) => part.effects) : [];
  return { significant: effects.filter((e) => e.significant).length, all: effects.length };
}
