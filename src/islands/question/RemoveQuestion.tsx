import { useState } from 'react';
import { counted } from '../../core/words/numbers';
import { inWords, send } from '../shared/api';

interface Uses {
  figures: number;
  pieces: number;
}

/** Removes a question; where figures or a text come from it, only once one has said so twice. */
export function RemoveQuestion({ id, onRemoved }: { id: string; onRemoved: () => void }) {
  const [uses, setUses] = useState<Uses>();
  const [trouble, setTrouble] = useState('');
  const attempt = (run: () => Promise<void>) => {
    setTrouble('');
    run().catch((error: unknown) => setTrouble(inWords(error)));
  };
  const remove = async () => {
    await send('DELETE', `/api/questions/${id}`);
    onRemoved();
  };
  const ask = () =>
    attempt(async () => {
      const found = await send<Uses>('GET', `/api/questions/${id}`);
      if (found.figures + found.pieces === 0) await remove();
      else setUses(found);
    });
  if (!uses)
    return (
      <>
        <button type="button" className="plain-button" onClick={ask}>
          Remove this question
        </button>
        {trouble && (
          <span role="alert" className="text-error">
            {trouble}
          </span>
        )}
      </>
    );
  const { figures, pieces } = uses;
  const told = [
    ...(figures > 0 ? [`${counted(figures, 'figure')}, which ${figures === 1 ? 'goes' : 'go'} with it`] : []),
    ...(pieces > 0
      ? [`${counted(pieces, 'piece')} of the write-up, which ${pieces === 1 ? 'keeps' : 'keep'} what was last read`]
      : []),
  ];
  return (
    <span role="alert">
      From this question {figures + pieces === 1 ? 'comes' : 'come'} {told.join(', and ')}.{' '}
      <button type="button" className="plain-button text-error" onClick={() => attempt(remove)}>
        Remove it all the same
      </button>{' '}
      <button type="button" className="plain-button" onClick={() => setUses(undefined)}>
        Keep it
      </button>
      {trouble && <span className="text-error"> {trouble}</span>}
    </span>
  );
}
