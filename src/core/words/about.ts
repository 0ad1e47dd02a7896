/** The words of a subject: what a question about shares, counts or spread says where one about readings would not. */
import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import type { Named } from '../question/naming';
import type { Question } from '../question/question';
import { shareWords } from './shares';
import { spreadWords } from './spreads';
import { tableWords } from './tables';
import type { Text } from './text';

/** A hypothesis in TeX and in words. */
export interface Hypothesis {
  tex: string;
  words: string;
}

export interface SubjectWords {
  /** The question as a sentence of plain text, and in a few words for a list. */
  question: (named: Named) => string;
  short: (named: Named) => string;
  methodName: (question: Question) => string;
  methodReason: (question: Question) => string;
  methodElse: (question: Question) => string;
  /** The result for someone who is no statistician. */
  headline: (answer: Answer, comparison: Comparison) => Text;
  methods: (answer: Answer) => Text;
  results: (answer: Answer, comparison: Comparison) => Text;
  legend: (answer: Answer) => Text;
  hypotheses: (answer: Answer) => { none: Hypothesis; some: Hypothesis };
}

/** The words of a question's subject; undefined where it is about how large readings are. */
export const wordsAbout = ({ about }: Question): SubjectWords | undefined =>
  about && { share: shareWords, table: tableWords, spread: spreadWords }[about];
