import { isBlind, underLetters } from '../core/readings/blind';
import { type WriteUp, ownWords } from '../core/write-up/document';
import type { Db } from '../store/open';
import { readTableHeads } from '../store/read-table';

/** In how many paragraphs of a write-up the words typed by hand name a group of the study that stands under a letter now. */
export function namesTold(db: Db, studyId: string, writeUp: WriteUp | undefined): number {
  const hidden = readTableHeads(db, studyId).filter(isBlind).map(underLetters);
  if (!writeUp || hidden.length === 0) return 0;
  return ownWords(writeUp).filter((words) => hidden.some((lettered) => lettered(words) !== words)).length;
}
