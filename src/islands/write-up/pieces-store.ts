import { atom, type WritableAtom } from 'nanostores';
import type { Change } from '../../core/study/change';
import type { StudyPieces } from '../../core/write-up/piece';
import { send } from '../shared/api';
import { followAddress } from '../shared/changes';

export type PiecesStore = WritableAtom<StudyPieces>;

/** What the study gives its write-up, taken anew when readings change elsewhere or the page is looked at again. */
export function followPieces(study: string, $pieces: PiecesStore): () => void {
  let asked = 0;
  let laid = false;
  const look = (change?: Change) => {
    // The pieces came with the page: that the line stands now is no reason to work all of them out again.
    if (!laid && !change) {
      laid = true;
      return;
    }
    laid = true;
    const mine = ++asked;
    void send<StudyPieces>('GET', `/api/studies/${study}/write-up/pieces`).then(
      (pieces) => {
        if (mine === asked) $pieces.set(pieces);
      },
      () => undefined,
    );
  };
  return followAddress(`/api/studies/${study}`, look, ({ path }) => /^\/api\/(tables|questions|figures)/.test(path));
}

export const piecesStore = (pieces: StudyPieces): PiecesStore => atom(pieces);
