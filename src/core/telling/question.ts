/** The question in words. */
import { analysisOf } from '../analyses/registry';
import type { Named } from '../question/naming';
import { plainly } from '../words/segments';

/** The question as one sentence of plain text. */
export const questionSentence = (named: Named): string => plainly(analysisOf(named.question).words.sentence(named));

/** The groups or factors in a few words, for a list. */
export const shortQuestion = (named: Named): string => analysisOf(named.question).words.short(named);
