import type { Direction } from '../procedures/direction';
import type { Shuffling } from '../procedures/shuffling';

/** What of an answer chance alone could bring: what would be arranged anew, or drawn again. */
export interface Chance {
  what: Shuffling;
  /** The tail that counts; a statistic that only grows has one. */
  tail: Direction;
  /** The groups by name and colour, in the order of what is arranged. */
  groups: { name: string; colour: number }[];
  /** Outcomes of counts. */
  outcomes: string[];
  /** What the statistic is of: "Red lamp minus White lamp". */
  order: string;
  unit: string;
  /** What was measured, with its unit; empty for counts. */
  measure: string;
}
