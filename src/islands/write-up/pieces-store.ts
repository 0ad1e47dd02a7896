import { atom, type WritableAtom } from 'nanostores';
import type { StudyPieces } from '../../core/write-up/piece';
import { send } from '../shared/api';
import { onTablesChanged } from '../shared/table-store';

export type PiecesStore = WritableAtom<StudyPieces>;

/** What the study gives its write-up, taken anew when readings change elsewhere or the page is looked at again. */
export function followPieces(study: string, $pieces: PiecesStore): () => void {
  let asked = 0;
  const look = () => {
    const mine = ++asked;
    void send<StudyPieces>('GET', `/api/studies/${study}/write-up/pieces`).then(
      (pieces) => {
        if (mine === asked) $pieces.set(pieces);
      },
      () => undefined,
    );
  };
  const seen = () => {
    if (document.visibilityState === 'visible') look();
  };
  const stop = onTablesChanged(look);
  document.addEventListener('visibilitychange', seen);
  window.addEventListener('focus', seen);
  return () => {
    stop();
    document.removeEventListener('visibilitychange', seen);
    window.removeEventListener('focus', seen);
  };
}

export const piecesStore = (pieces: StudyPieces): PiecesStore => atom(pieces);
