import { type ReactNode, useState } from 'react';
import { inWords } from './api';
import { Gone } from './Gone';
import type { KeptValue } from './kept-value';

interface Props<T> {
  kept: KeptValue<T>;
  /** What it is, in words. */
  what: string;
  /** A way to take what was typed elsewhere. */
  copy?: (unsaved: T) => ReactNode;
}

/** A question, a figure or a write-up that was refused: why, and what may become of what was typed here. */
export function NewerElsewhere<T>({ kept, what, copy }: Props<T>) {
  const { saving, unsaved } = kept;
  const [trouble, setTrouble] = useState('');
  const run = (way: () => Promise<void>) => {
    setTrouble('');
    way().catch((error: unknown) => setTrouble(inWords(error)));
  };
  if (saving.state === 'gone') return <Gone reason={saving.reason}>{unsaved !== undefined && copy?.(unsaved)}</Gone>;
  if (saving.state !== 'refused') return null;
  return (
    <div role="alert" className="border-l-4 border-warning bg-base-200 px-4 py-2 text-sm">
      <p>{saving.reason}</p>
      <p className="mt-1 flex flex-wrap gap-x-5">
        {saving.newer && (
          <button type="button" className="plain-button" onClick={() => run(kept.putAgain)}>
            Keep mine in place of the newer {what}
          </button>
        )}
        <button type="button" className="plain-button" onClick={() => run(kept.takeNewer)}>
          Show the {saving.newer ? 'newer' : 'kept'} {what}, discard mine
        </button>
        {unsaved !== undefined && copy?.(unsaved)}
      </p>
      {trouble && <p className="mt-1 text-error">{trouble}</p>}
    </div>
  );
}
