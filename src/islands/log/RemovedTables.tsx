import { useState } from 'react';
import { emptyTable } from '../../core/readings/table';
import { inWords, send } from '../shared/api';

interface Props {
  study: string;
  removed: { id: string; name: string; at: string }[];
  /** Whether the study has no table left. */
  bare: boolean;
}

/** Tables taken out of the study, each to be brought back; and a new one where none is left. */
export function RemovedTables({ study, removed, bare }: Props) {
  const [trouble, setTrouble] = useState('');
  const go = (run: () => Promise<string>) => {
    setTrouble('');
    run().then(
      (id) => window.location.assign(`/studies/${study}/readings/${id}`),
      (error: unknown) => setTrouble(inWords(error)),
    );
  };
  const bringBack = (id: string) =>
    go(async () => {
      await send('POST', `/api/tables/${id}/restore`);
      return id;
    });
  const begin = () =>
    go(async () => {
      const table = emptyTable('Readings');
      return (await send<{ id: string }>('POST', `/api/studies/${study}/tables`, { table, origin: 'typed' })).id;
    });
  return (
    <>
      {bare && (
        <p className="mt-3">
          This study has no readings now.{' '}
          <button type="button" className="plain-button" onClick={begin}>
            Begin a new table
          </button>
        </p>
      )}
      {removed.length > 0 && (
        <section className="mt-3 text-sm" aria-label="Tables taken out">
          <h2 className="part-of-page">Tables taken out</h2>
          <ul>
            {removed.map((table) => (
              <li key={table.id}>
                {table.name || 'unnamed'}, taken out {table.at.slice(0, 10)} {table.at.slice(11, 19)}.{' '}
                <button
                  type="button"
                  className="plain-button"
                  aria-label={`Bring back ${table.name || 'the unnamed table'}`}
                  onClick={() => bringBack(table.id)}
                >
                  Bring it back
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {trouble && (
        <p role="alert" className="mt-2 text-error">
          {trouble}
        </p>
      )}
    </>
  );
}
