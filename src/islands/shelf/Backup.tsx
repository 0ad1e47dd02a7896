import { DatabaseBackup, FolderArchive, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { listed } from '../../core/words/sentences';
import { inWords, Refused } from '../shared/api';

/** Everything as one file, and back from such a file. */
export function Backup({ isEmpty }: { isEmpty: boolean }) {
  const [said, setSaid] = useState('');
  const [trouble, setTrouble] = useState('');
  const bringBack = async (file: File) => {
    setTrouble('');
    setSaid('Bringing back …');
    const response = await fetch('/api/backup', { method: 'POST', body: file });
    const answer = (await response.json()) as { titles?: string[]; detail?: string };
    if (!answer.titles) throw new Refused(response.status, answer.detail ?? 'It could not be read.');
    setSaid(
      answer.titles.length === 0
        ? `“${file.name}” holds no study.`
        : `Brought back: ${listed(answer.titles.map((title) => `“${title}”`))}.`,
    );
  };
  return (
    <section aria-label="Backup" className="mt-8 text-sm">
      <h2 className="part-of-page">Backup</h2>
      <p className="flex flex-wrap items-center gap-x-6">
        {!isEmpty && (
          <a className="plain-button" href="/api/backup" download>
            <DatabaseBackup size={15} aria-hidden /> Back up everything
          </a>
        )}
        {!isEmpty && (
          <a className="plain-button" href="/api/studies/bundles" download>
            <FolderArchive size={15} aria-hidden /> All studies in open formats
          </a>
        )}
        <label className="plain-button cursor-pointer focus-within:outline-2">
          <Undo2 size={15} aria-hidden /> Bring back from a backup
          <input
            type="file"
            accept=".sqlite"
            className="sr-only"
            onChange={(e) => {
              const [file] = e.target.files ?? [];
              e.target.value = '';
              if (file)
                bringBack(file).catch((error: unknown) => {
                  setSaid('');
                  setTrouble(`“${file.name}” was not brought back. ${inWords(error)}`);
                });
            }}
          />
        </label>
        <span className="text-muted">
          a backup is one file with all studies; brought back, they stand beside those that are here
        </span>
      </p>
      <p role="status">
        {said}{' '}
        {said.startsWith('Brought back') && (
          <button type="button" className="plain-button" onClick={() => window.location.reload()}>
            Show them
          </button>
        )}
      </p>
      {trouble && (
        <p role="alert" className="text-error">
          {trouble}
        </p>
      )}
    </section>
  );
}
