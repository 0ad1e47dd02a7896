import { diff3MergeRegions, diffComm } from 'node-diff3';

/** A piece of a reworded sentence; `fresh` where a newer number or word took the place of the one reworded around. */
export interface MergedPiece {
  text: string;
  fresh: boolean;
}

/** A person's wording brought up to date. */
export interface MergedWords {
  pieces: MergedPiece[];
  /** Whether something changed just where the person had reworded: their words stay, and should be looked at. */
  clash: boolean;
}

/** Words, numbers and the marks between them, nothing lost. */
const tokens = (text: string): string[] => text.match(/\s+|[^\s,;:()=]+|[,;:()=]/g) ?? [];

/**
 * Three-way merge, word by word: what the person changed stays as they wrote it, what has changed since in the sentence
 * they started from is renewed and marked. Where both changed the same place the person's words stay.
 * @param from the sentence as it was when reworded
 * @param own the person's wording of it
 * @param now the sentence as it is now
 */
export function mergeWords(from: string, own: string, now: string): MergedWords {
  if (from === now) return { pieces: [{ text: own, fresh: false }], clash: false };
  const pieces: MergedPiece[] = [];
  let clash = false;
  const add = (words: readonly string[], fresh: boolean): void => {
    const text = words.join('');
    if (text === '') return;
    const last = pieces.at(-1);
    if (last?.fresh === fresh) last.text += text;
    else pieces.push({ text, fresh });
  };
  for (const region of diff3MergeRegions(tokens(own), tokens(from), tokens(now))) {
    if (region.stable) add(region.bufferContent, region.buffer === 'b');
    else {
      clash = true;
      add(region.aContent, false);
    }
  }
  return { pieces, clash };
}

/** A stretch of a sentence beside its older form: in both, only in the older, or only in the newer. */
export interface ChangedWords {
  text: string;
  change: 'kept' | 'old' | 'new';
}

/** An older and a newer form of a sentence, word by word; of each change the old comes before the new. */
export const changedWords = (old: string, now: string): ChangedWords[] =>
  diffComm(tokens(old), tokens(now)).flatMap((part): ChangedWords[] => {
    const said = (words: readonly string[] | undefined, change: ChangedWords['change']): ChangedWords[] =>
      words && words.length > 0 ? [{ text: words.join(''), change }] : [];
    return 'common' in part ? said(part.common, 'kept') : [...said(part.buffer1, 'old'), ...said(part.buffer2, 'new')];
  });
