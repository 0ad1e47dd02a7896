import { useState } from 'react';
import { inWords } from './api';
import type { Saving } from './saving';
import type { TableStore } from './table-store';

/** A refused write: why, what was typed, and the two ways on. */
export function RefusedNotice({ saving, store }: { saving: Saving; store: TableStore }) {
  const [trouble, setTrouble] = useState('');
  if (saving.state !== 'refused') return null;
  const unsaved = store.unsaved();
  const run = (way: () => Promise<void>) => {
    setTrouble('');
    way().catch((error: unknown) => setTrouble(inWords(error)));
  };
  return (
    <div role="alert" className="border-l-4 border-warning bg-base-200 px-4 py-2 text-sm">
      <p>{saving.reason}</p>
      {unsaved.length > 0 && (
        <p className="mt-1">
          Not saved: <strong>{unsaved.slice(0, 12).join(' · ')}</strong>
          {unsaved.length > 12 && ` and ${unsaved.length - 12} more`}
        </p>
      )}
      <p className="mt-1 flex gap-5">
        <button type="button" className="plain-button" onClick={() => run(store.putAgain)}>
          Load the newer readings, then put mine in again
        </button>
        <button type="button" className="plain-button" onClick={() => run(store.letGo)}>
          Load the newer readings, discard mine
        </button>
      </p>
      {trouble && <p className="mt-1 text-error">{trouble}</p>}
    </div>
  );
}
