import { there } from '../numeric/there';
import { endingExactly } from '../working/tail';
import type { Step } from '../working/term';
import type { Comparison } from './comparison';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';

/** The steps with their last as the test counted it, where it counts. @param formula how the exact p is counted, as TeX */
export const ending = (question: Question, { p }: Comparison, steps: Step[], formula: string): Step[] =>
  ['exact', 'mid-p'].includes(choicesOf(question).method) ? endingExactly(steps, there(p, 'p'), formula) : steps;

/** Of the tables with these margins, those no likelier than the one found. */
export const likelierTables =
  '\\sum P(\\text{table})\\ \\text{over the tables with these margins that are no likelier}';
