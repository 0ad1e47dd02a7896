/** What an answer tells the paper. */
import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import { blindClause, registeredClause } from '../words/registered';
import { type Text, text } from '../words/text';

/** Where nothing could be computed, why, before what was asked for: no text says of it that it was done. */
const notDone = ({ comparison }: Answer): Text =>
  comparison.ok ? [] : text`The following could not be carried out. ${comparison.reason} `;

/** The sentences for the paper's methods section. */
export const methodsSentence = (answer: Answer): Text =>
  text`${notDone(answer)}${analysisOf(answer.question).words.methods(answer)}${registeredClause(answer.registered)}${blindClause(answer.blind)}`;

/** The sentences for the paper's results section. */
export const resultsSentence = (answer: Answer, comparison: Comparison): Text =>
  analysisOf(answer.question).words.results(answer, comparison);
