import { planOfAnswer } from '../../core/answering/known-spread';
import type { Answer } from '../../core/answer/answer';
import { shortQuestion } from '../../core/telling/question';

/** The planner, opened on a question: its design, its test and its spread, with the way back to it. */
export function plannerFor(shown: Answer | undefined, question: string): string {
  const plan = shown ? { ...planOfAnswer(shown), name: shortQuestion(shown) } : {};
  const query = Object.entries({ ...plan, question }).filter((pair): pair is [string, string] => Boolean(pair[1]));
  return `/bench/planner?${new URLSearchParams(query).toString()}`;
}
