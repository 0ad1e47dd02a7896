/** The one axis of all effects of a question: the picture's, and that of every table whose rows hold an effect. */
import type { Answer } from '../answer/answer';
import type { Effect } from '../answer/comparison';
import { factsOf } from '../analyses/kinds';
import { leastOf, mostOf } from '../numeric/extremes';
import { choicesOf } from '../question/choices';
import { pairPoints } from './pair-points';
import type { Point } from '../drawing/scene';

export interface EffectAxis {
  domain: [number, number];
  /** Of ratios a logarithmic axis. */
  log: boolean;
  /** The value of no difference, or the one tested against. */
  none: number;
  /** Bounds within which a difference does not matter. */
  bounds?: { low: number; high: number };
}

/** Of more effects than this the picture draws those that lie farthest apart; the table tells all. */
export const mostRungs = 12;

/** How much of the page's width it takes, at its right; and the room right of it, in the page's units. */
export const effectShare = 0.36;
export const effectMargin = 12;

const finite = (x: number): number[] => (Number.isFinite(x) ? [x] : []);

/** All ends, with room, and the value of no effect among them. */
function roomAround(ends: readonly number[], none: number): [number, number] {
  const span = mostOf(ends.map((x) => Math.abs(x - none))) || 1;
  return [leastOf(ends) - 0.1 * span, mostOf(ends) + 0.1 * span];
}

/** Of ratios: all ends above 0, with the same room on either side. */
function logDomain(ends: readonly number[]): [number, number] {
  const above = ends.filter((x) => x > 0);
  const [low, high] = [leastOf(above), mostOf(above)];
  const room = Math.max(1.15, (high / low) ** 0.1);
  return [low / room, high * room];
}

/**
 * The axis of one effect.
 * @param difference what it is tested against, unless it says so itself
 * @param more what else lies on it
 */
export function singleAxis(
  effect: Effect,
  difference: number,
  bounds?: EffectAxis['bounds'],
  more: readonly Point[] = [],
): EffectAxis {
  const { low, high } = effect.interval ?? { low: effect.estimate, high: effect.estimate };
  const none = effect.none ?? difference;
  const log = effect.ratio ?? false;
  const ends = [
    none,
    ...finite(effect.estimate),
    ...finite(low),
    ...finite(high),
    ...(bounds ? [bounds.low, bounds.high] : []),
    ...more.map(({ at }) => at),
  ];
  const domain = log ? logDomain(ends) : roomAround(ends, none);
  return { domain, log, none, ...(bounds ? { bounds } : {}) };
}

/** The axis of several effects. */
export function rungsAxis(effects: readonly Effect[]): EffectAxis {
  const ends = effects.flatMap((e) => [
    e.estimate,
    ...(e.interval ? [...finite(e.interval.low), ...finite(e.interval.high)] : []),
  ]);
  const log = effects.some((e) => e.ratio);
  const reach = Math.max(...ends.map(Math.abs), 0) || 1;
  const domain: [number, number] = log
    ? logDomain([1, ...ends])
    : [Math.min(0, ...ends) - 0.06 * reach, Math.max(0, ...ends) + 0.06 * reach];
  return { domain, log, none: log ? 1 : 0 };
}

/** What an answer's effects are drawn on; undefined where nothing is tested, or no effect is known. */
export function effectAxis(answer: Answer): EffectAxis | undefined {
  const { comparison, question } = answer;
  if (!comparison.ok) return undefined;
  const { effect, p, follow } = comparison.value;
  // An estimate stands where its readings lie; only what is tested is drawn against the divide line.
  if (effect && p !== undefined)
    return singleAxis(
      effect,
      factsOf(question).differences ? choicesOf(question).value : 0,
      question.bounds,
      pairPoints(answer),
    );
  const effects = follow?.ok ? follow.value.flatMap((part) => part.effects) : [];
  return effects.length > 0 ? rungsAxis(effects) : undefined;
}

/** Where a value lies along the axis, from 0 at its left end to 1; what lies beyond an end, at that end. */
export function alongAxis({ domain, log }: Pick<EffectAxis, 'domain' | 'log'>, value: number): number {
  const at = (x: number): number => (log ? Math.log(Math.max(x, Number.MIN_VALUE)) : x);
  const [from, to] = [at(domain[0]), at(domain[1])];
  return Math.min(1, Math.max(0, (at(value) - from) / (to - from || 1)));
}
