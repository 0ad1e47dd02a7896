/** A box plot: a bar with its outline, a rule for the median, whiskers. */
import { bar, rule, span } from '../drawing/marks';
import type { Ink, Mark } from '../drawing/scene';
import type { Box } from './box';

export interface BoxLook {
  ink: Ink;
  /** How strongly it is filled; not at all at 0. */
  tint?: number;
  /** What its parts go by, after their kind. */
  name: string;
}

/** A rectangle with its outline: what columns and boxes are. */
export function outlined(
  [x1, y1, x2, y2]: readonly [number, number, number, number],
  { ink, tint = 0.22, name }: BoxLook,
): Mark[] {
  const look = { ink, weight: 1.2, name };
  return [
    ...(tint > 0 ? [bar(x1, y1, x2, y2, { ink, tint, name })] : []),
    rule(x1, y1, x1, y2, look),
    rule(x2, y1, x2, y2, look),
    rule(x1, y1, x2, y1, look),
    rule(x1, y2, x2, y2, look),
  ];
}

/**
 * The box at its place, with whiskers.
 * @param half its height to either side of the place
 */
export function boxMarks({ q1, median, q3, low, high }: Box, y: number, half: number, look: BoxLook): Mark[] {
  const { ink, tint, name } = look;
  const whisker = { ink, weight: 1.2, name: `whisker-${name}` };
  return [
    ...outlined([q1, y - half, q3, y + half], { ...look, name: `box-${name}` }),
    // On a ground of its own colour it would not be seen.
    rule(median, y - half, median, y + half, { ink: tint === 1 ? 'ink' : ink, weight: 2.4, name: `median-${name}` }),
    span({ low, high: q1 }, y, whisker),
    span({ low: q3, high }, y, whisker),
  ];
}
