/** The question in words. */
import { wordsOf } from '../analyses/registry';
import type { Named } from '../question/naming';
import { plainly } from '../words/segments';

/** The question as one sentence of plain text. */
export const questionSentence = (named: Named): string => plainly(wordsOf(named.question).sentence(named));

/** The groups or factors in a few words, for a list. */
export const shortQuestion = (named: Named): string => wordsOf(named.question).short(named);
