import { type ReactNode, useEffect, useState } from 'react';
import { type Packed, unpack } from '../../formats/wire';
import { inWords } from './api';
import { fetchTable } from './fetch-table';
import type { Kept } from './fetch-table';

interface Props {
  id: string;
  /** The table where it came with the page; a large one is fetched once the page stands. */
  kept: Packed<Kept> | undefined;
  children: (kept: Kept) => ReactNode;
}

/** Shows its content once the table is there. */
export function WithTable({ id, kept: given, children }: Props) {
  const [kept, setKept] = useState(() => given && unpack(given));
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    if (given) return;
    let gone = false;
    fetchTable(id).then(
      (found) => {
        if (!gone) setKept(found);
      },
      (error: unknown) => {
        if (!gone) setTrouble(inWords(error));
      },
    );
    return () => {
      gone = true;
    };
  }, [id, given]);
  if (kept) return children(kept);
  return (
    <p role="status" className="px-6 py-4 text-muted">
      {trouble || 'Fetching the readings …'}
    </p>
  );
}
