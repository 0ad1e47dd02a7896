import { useStore } from '@nanostores/react';
import { useState } from 'react';
import { inWords } from './api';
import { CopyButton } from './CopyButton';
import { Gone } from './Gone';
import type { TableStore } from './table-store';

const notice = 'border-l-4 border-warning bg-base-200 px-4 py-2 text-sm';

/** The first dozen of some texts. */
const some = (texts: readonly string[]) =>
  `${texts.slice(0, 12).join(' · ')}${texts.length > 12 ? ` and ${texts.length - 12} more` : ''}`;

/** Readings that were refused, removed, or have no place in the newer ones: why, what was typed, and the ways on. */
export function RefusedNotice({ store }: { store: TableStore }) {
  const saving = useStore(store.$saving);
  const lost = useStore(store.$lost);
  const [trouble, setTrouble] = useState('');
  const unsaved = store.unsaved();
  const run = (way: () => Promise<void>) => {
    setTrouble('');
    way().catch((error: unknown) => setTrouble(inWords(error)));
  };
  const copyMine = unsaved.length > 0 && (
    <CopyButton copied={() => ({ plain: unsaved.join('\n') })}>Copy mine</CopyButton>
  );
  return (
    <>
      {lost.length > 0 && (
        <div role="alert" className={notice}>
          <p>
            The rest was put in. What follows has no place any more: its row or its column was removed in another
            window.
          </p>
          <p className="mt-1">
            <strong>{some(lost.map((l) => `${l.column || 'column without a name'}, row ${l.row}: ${l.text}`))}</strong>
          </p>
          <p className="mt-1 flex gap-5">
            <CopyButton copied={() => ({ plain: lost.map((l) => `${l.column}\t${l.row}\t${l.text}`).join('\n') })}>
              Copy these
            </CopyButton>
            <button type="button" className="plain-button" onClick={store.forgetLost}>
              Discard these
            </button>
          </p>
        </div>
      )}
      {saving.state === 'gone' && <Gone reason={saving.reason}>{copyMine}</Gone>}
      {saving.state === 'refused' && (
        <div role="alert" className={notice}>
          <p>{saving.reason}</p>
          {unsaved.length > 0 && (
            <p className="mt-1">
              Not saved: <strong>{some(unsaved)}</strong>
            </p>
          )}
          <p className="mt-1 flex flex-wrap gap-x-5">
            <button type="button" className="plain-button" onClick={() => run(store.putAgain)}>
              Load the newer readings, then put mine in again
            </button>
            <button type="button" className="plain-button" onClick={() => run(store.letGo)}>
              Load the newer readings, discard mine
            </button>
            {copyMine}
          </p>
          {trouble && <p className="mt-1 text-error">{trouble}</p>}
        </div>
      )}
    </>
  );
}
