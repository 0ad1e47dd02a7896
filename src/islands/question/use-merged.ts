import { useEffect, useState } from 'react';
import type { MergedWords } from '../../formats/merge-words';

type Merge = (from: string, own: string, now: string) => MergedWords;

/** Until the merge is there nothing is shown: the old numbers would be worse than none. */
const waiting: MergedWords = { pieces: [{ text: '…', fresh: false }], clash: false };

/** The person's wording of a sentence brought up to date; the script that does it comes where there is one. */
export function useMerged(kept: { text: string; from: string } | undefined, now: string): MergedWords | undefined {
  const [merge, setMerge] = useState<{ words: Merge }>();
  const wanted = kept !== undefined && merge === undefined;
  useEffect(() => {
    if (wanted) void import('../../formats/merge-words').then(({ mergeWords }) => setMerge({ words: mergeWords }));
  }, [wanted]);
  if (!kept) return undefined;
  return merge ? merge.words(kept.from, kept.text, now) : waiting;
}
