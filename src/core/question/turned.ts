/** Which of the pairs compared are subtracted the other way round. */
import { choicesOf } from './choices';
import type { Question } from './question';

export type PairOfGroups = readonly [string, string];

const samePair = ([a, b]: PairOfGroups, [c, d]: PairOfGroups): boolean => (a === c && b === d) || (a === d && b === c);

/** Whether each pair can be taken either way: those with a control, or with the one before, have their order by what they are. */
export const canTurn = (question: Question): boolean => {
  const { compare } = choicesOf(question);
  return compare === 'all' || compare === 'chosen';
};

/** Whether a pair, in the order of the groups, is turned round. */
export function isTurned(question: Question, pair: PairOfGroups): boolean {
  const { turned } = question;
  if (turned === undefined || choicesOf(question).compare !== 'all') return false;
  return turned === 'all' || turned.some((one) => samePair(one, pair));
}

/** All of the pairs turned round. @param shown the pairs as they are subtracted now */
export function allTurned(question: Question, shown: readonly PairOfGroups[]): Question {
  const { turned, pairs, ...rest } = question;
  if (choicesOf(question).compare === 'chosen') return { ...question, pairs: (pairs ?? []).map(([a, b]) => [b, a]) };
  const kept = pairs ? { ...rest, pairs } : rest;
  // Where some were turned, those that were not are the ones that are now.
  if (turned === undefined) return { ...kept, turned: 'all' };
  const now = turned === 'all' ? [] : shown.filter((pair) => !isTurned(question, pair));
  return now.length > 0 ? { ...kept, turned: now.map(([a, b]) => [a, b]) } : kept;
}

/** One pair turned round. @param shown the pairs as they are subtracted now */
export function onePairTurned(question: Question, pair: PairOfGroups, shown: readonly PairOfGroups[]): Question {
  const { turned: _, ...rest } = question;
  if (choicesOf(question).compare === 'chosen')
    return {
      ...question,
      pairs: (question.pairs ?? []).map((one): [string, string] => (samePair(one, pair) ? [one[1], one[0]] : one)),
    };
  const now = shown.filter((one) => isTurned(question, one) !== samePair(one, pair));
  if (now.length === 0) return rest;
  return { ...rest, turned: now.length === shown.length ? 'all' : now.map(([a, b]) => [a, b]) };
}
