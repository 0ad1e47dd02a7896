/** The question in words. */
import { analysisOf } from '../analyses/registry';
import type { Named } from '../question/naming';
import { plainly } from '../words/segments';

/** The question as one sentence of plain text. */
export const questionSentence = (named: Named): string => plainly(analysisOf(named.question).words.sentence(named));

/** What it is called by itself: its groups or factors in a few words. */
export const usualName = (named: Named): string => analysisOf(named.question).words.short(named);

/** A question in a few words, for a list: as the person calls it, or else as it is called by itself. */
export function shortQuestion(named: Named): string {
  const own = named.question.name?.trim() ?? '';
  return own === '' ? usualName(named) : own;
}
