import { adjustments } from '../analyses/facts';
import { factsOf } from '../analyses/kinds';
import type { Choices, FollowUp, Method } from './options';
import type { Question } from './question';

/** Methods a question can be answered by, the one picked by default first. */
export function methodsFor(question: Question): readonly Method[] {
  const { methods } = factsOf(question);
  return typeof methods === 'function' ? methods(question) : methods;
}

/** How comparisons of this kind can be judged together, the one picked by default first. */
export const followUpsFor = (
  question: Question,
  method: Method,
  spread: Choices['spread'],
  compare: Choices['compare'],
): readonly FollowUp[] => factsOf(question).followUps?.({ method, spread, compare }, question) ?? adjustments;

/** What in the sizes of several groups decided how their spreads are taken, where nobody chose. */
export type SpreadReason = 'equal-n' | 'unequal-n' | 'single-reading';

/** Comparisons that need a spread the groups share. */
const ofSharedSpread: readonly FollowUp[] = ['tukey', 'dunnett', 'scheffe'];

/**
 * How the spreads of several groups are taken where nobody chose: by the design alone, never by what the readings turned
 * out to be. With equal n the classical analysis is robust to unequal spreads; with unequal n it is not, and each group
 * keeps its own, unless one has a single reading and so no spread of its own. Source: Glass, Peckham & Sanders (1972).
 * @param sizes n of each group
 * @returns undefined where the question has chosen, be it by comparisons that one of the two needs
 */
export function spreadBySizes(
  question: Question,
  sizes: readonly number[],
): { spread: Choices['spread']; reason?: SpreadReason } | undefined {
  const { spread, follow } = question;
  if (!factsOf(question).spreadBySizes || spread !== undefined) return undefined;
  if (follow && ofSharedSpread.includes(follow)) return { spread: 'pooled' };
  if (follow === 'games-howell' || follow === 'dunnett-t3') return { spread: 'separate' };
  if (new Set(sizes).size <= 1) return { spread: 'pooled', reason: 'equal-n' };
  return sizes.some((n) => n < 2)
    ? { spread: 'pooled', reason: 'single-reading' }
    : { spread: 'separate', reason: 'unequal-n' };
}

/** What a question leaves open, filled in. A choice its kind does not have gives way to the default. */
export function choicesOf(question: Question): Choices {
  const facts = factsOf(question);
  const spread = question.spread ?? (facts.spreadBySizes ? 'pooled' : 'separate');
  const method = oneOf(methodsFor(question), question.method);
  // Ranks compare all pairs, or each group with a control, or test a trend.
  const wanted = facts.follows === 'by-choice' ? (question.compare ?? 'all') : 'all';
  const ofPairs = method === 'likelihood' && (wanted === 'trend' || wanted === 'contrasts');
  const compare =
    ofPairs || (method === 'ranks' && !(facts.rankTrend && (wanted === 'trend' || wanted === 'control')))
      ? 'all'
      : wanted;
  return {
    value: question.value ?? noneOf(question),
    effect: effectOf(question, method),
    shareInterval: question.shareInterval ?? 'wilson',
    spread,
    method,
    compare,
    follow: oneOf(followUpsFor(question, method, spread, compare), question.follow),
    sums: question.sums ?? 2,
    sphericity: oneOf(facts.sphericities ?? ['greenhouse-geisser'], question.sphericity),
    statistic: (facts.statistics ? question.statistic : undefined) ?? 'mean',
    seed: question.seed ?? 1,
  };
}

/** By what two are set against each other; means by their ratio only where the method compares means. */
function effectOf(question: Question, method: Method): Choices['effect'] {
  const { effect, effects = {} } = factsOf(question);
  const wanted = question.effect ?? effect?.(method) ?? 'difference';
  return question.about === 'value' && wanted !== 'difference' && !(wanted in effects && ofMeans(method))
    ? 'difference'
    : wanted;
}

/** Whether a method compares means, so that it can compare those of logarithms. */
export const ofMeans = (method: Method): boolean =>
  method === 'means' || method === 'mixed-model' || method === 'likelihood';

/** Whether readings are told by geometric means and ratios of them. */
export const tellsRatios = (question: Question): boolean =>
  question.about === 'value' && effectOf(question, oneOf(methodsFor(question), question.method)) === 'ratio';

/** The effect that is none. */
export const noneOf = (question: Question): 0 | 1 => (tellsRatios(question) ? 1 : 0);

/** The one wanted, where it is among them, else the first. */
function oneOf<T>(all: readonly T[], wanted: T | undefined): T {
  const [first] = all;
  if (first === undefined) throw new Error('A choice has at least one option.');
  return wanted !== undefined && all.includes(wanted) ? wanted : first;
}
