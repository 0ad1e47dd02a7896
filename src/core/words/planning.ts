/** The sentence a protocol needs: what is to be found, how surely, with how many. */
import type { Direction } from '../procedures/direction';
import { fixed, percent } from './numbers';
import { valued } from './sentences';
import { type Text, text } from './text';

/** A plan for comparing groups. */
export interface Plan {
  /** What is planned, as a sentence says it: "two groups", "pairs", "four groups". */
  design: string;
  /** The noun for one sample: "seedling". */
  subject: string;
  /** The difference to be found and the SD expected, in the person's own units. */
  difference: number;
  sd: number;
  unit: string;
  perGroup: number;
  power: number;
  alpha: number;
  direction: Direction;
}

/** "With 24 seedlings in each of two groups …". */
export function planSentence(plan: Plan): Text {
  const { design, subject, difference, sd, unit, perGroup, power, alpha, direction } = plan;
  const noun = subject || 'sample';
  const sided = direction === 'either' ? 'a two-sided' : 'a one-sided';
  return text`With ${design} of ${perGroup} ${noun}${perGroup === 1 || noun.endsWith('s') ? '' : 's'}, ${sided} test at the ${percent(alpha)} level finds a difference of ${valued(String(difference), unit)} with a power of ${fixed(100 * power, power > 0.995 ? 2 : 0)} %, if the standard deviation is ${valued(String(sd), unit)}.`;
}
