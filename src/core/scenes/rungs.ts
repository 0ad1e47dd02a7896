import type { FollowUpPart } from '../answer/comparison';
import type { Rung } from './ladder';

/** The comparisons as rungs, in the order asked for: as given, or by size. */
export function rungsOf(parts: readonly FollowUpPart[], sorted: boolean): Rung[] {
  return parts.flatMap((part) => {
    const effects = sorted ? [...part.effects].sort((x, y) => y.estimate - x.estimate) : part.effects;
    return effects.map((e, i): Rung => ({
      ...e,
      significant: e.significant === true,
      ...(i === 0 && part.within !== undefined ? { heading: part.within } : {}),
    }));
  });
}
