import type { Question } from '../question/question';
import { type GroupPart } from './group-part';

/** The groups compared: those named, in their order, else all that have readings and were there
 * when it was asked. */
export function chosenParts(question: Question, all: readonly GroupPart[]): GroupPart[] {
  if (!question.groups || question.groups.length === 0) {
    const { known } = question;
    const filled = all.filter((g) => g.n > 0 && (!known || known.includes(g.id)));
    return filled.length > 0 ? filled : [...all];
  }
  return question.groups.flatMap((id) => all.find((g) => g.id === id) ?? []);
}
