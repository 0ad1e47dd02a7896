import { listed } from '../../core/words/sentences';
import { Copy, FolderOpen, Pencil, Trash2 } from 'lucide-react';
import { type SubmitEvent, useEffect, useState } from 'react';
import { blockFromClipboard, blockToText } from '../../formats/clipboard';
import { useFileDrop, useFilePicker } from '../import/FileDrop';
import { useFocusBack } from '../kit/focus-back';
import { IconButton } from '../kit/IconButton';
import { tell, untell } from '../kit/tell';
import { Refused, inWords, send } from '../shared/api';
import { followStudy } from '../shared/changes';
import { later } from '../shared/later';
import { Backup } from './Backup';
import { type DeletedStudy, DeletedStudies } from './DeletedStudies';

const ImportPanel = later(() => import('../import/ImportPanel'));

/** A study's line on the shelf. */
interface Line {
  id: string;
  title: string;
  changedAt: string;
  compared: string | undefined;
}

const day = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });

function Title({ line, onRename, onDone }: { line: Line; onRename: (title: string) => void; onDone: () => void }) {
  const [title, setTitle] = useState(line.title);
  useFocusBack();
  const submit = (event?: SubmitEvent) => {
    event?.preventDefault();
    if (title.trim() && title.trim() !== line.title) onRename(title.trim());
    onDone();
  };
  return (
    <form onSubmit={submit}>
      <input
        className="part w-full font-serif text-lg"
        aria-label={`New title of ${line.title}`}
        value={title}
        maxLength={200}
        autoFocus
        onFocus={(e) => e.target.select()}
        onChange={(e) => setTitle(e.target.value)}
        onBlur={() => submit()}
        onKeyDown={(e) => e.key === 'Escape' && onDone()}
      />
    </form>
  );
}

/** What is asked before a study goes; Escape keeps it. */
function Leaving({ onDelete, onKeep }: { onDelete: () => void; onKeep: () => void }) {
  useFocusBack();
  return (
    <span role="alert" className="flex gap-3 text-sm" onKeyDown={(e) => e.key === 'Escape' && onKeep()}>
      Delete it?
      <button type="button" className="plain-button text-error" onClick={onDelete} autoFocus>
        Delete
      </button>
      <button type="button" className="plain-button" onClick={onKeep}>
        Keep it
      </button>
    </span>
  );
}

/** The studies as the lines of an index. */
export function Shelf({ lines: start, deleted: gone }: { lines: Line[]; deleted: DeletedStudy[] }) {
  const [lines, setLines] = useState(start);
  const [title, setTitle] = useState('');
  const [renaming, setRenaming] = useState<string>();
  const [deleted, setDeleted] = useState(gone);
  const [trouble, setTrouble] = useState('');
  const [file, setFile] = useState<File>();
  /** The study that is asked about before it goes. */
  const [leaving, setLeaving] = useState<string>();
  const [opened, setOpened] = useState<{ id: string; name: string; changed: string[] }>();

  const refresh = async () => {
    const shelf = await send<{ lines: Line[]; deleted: DeletedStudy[] }>('GET', '/api/shelf');
    setLines(shelf.lines);
    setDeleted(shelf.deleted);
  };
  // What is begun, renamed or deleted in another window stands here too.
  useEffect(() => followStudy(() => void refresh().catch(() => undefined)), []);

  const attempt = (run: () => Promise<void>) => {
    setTrouble('');
    run().catch((error: unknown) => setTrouble(inWords(error)));
  };
  const open = (id: string, asking = '') => window.location.assign(`/studies/${id}${asking}`);
  /** A bundled study is opened as it is; any other file is a file of readings. */
  const take = (given: File) => {
    if (!/\.zip$/i.test(given.name)) {
      setTrouble('');
      setFile(given);
      return;
    }
    attempt(async () => {
      const response = await fetch('/api/studies/bundle', { method: 'POST', body: given });
      const answer = (await response.json()) as { id?: string; changed?: string[]; detail?: string };
      if (answer.id === undefined)
        throw new Refused(response.status, `“${given.name}” was not opened. ${answer.detail ?? ''}`);
      if (answer.changed && answer.changed.length > 0)
        setOpened({ id: answer.id, name: given.name, changed: answer.changed });
      else open(answer.id);
    });
  };
  // A table on the clipboard starts a study as a file does, wherever on the shelf it is pasted.
  useEffect(() => {
    const paste = (event: ClipboardEvent) => {
      const typing = event.target instanceof Element && event.target.closest('input, textarea');
      const block = typing || !event.clipboardData ? undefined : blockFromClipboard(event.clipboardData);
      if (!block || (block.length < 2 && (block[0]?.length ?? 0) < 2)) return;
      event.preventDefault();
      setTrouble('');
      setFile(new File([blockToText(block)], 'Pasted table.tsv', { type: 'text/tab-separated-values' }));
    };
    window.addEventListener('paste', paste);
    return () => window.removeEventListener('paste', paste);
  }, []);
  const over = useFileDrop(take);
  const picker = useFilePicker(take, ',.zip');
  const begin = (event: SubmitEvent) => {
    event.preventDefault();
    attempt(async () => open((await send<{ id: string }>('POST', '/api/studies', { title })).id));
  };
  const rename = (line: Line, next: string) =>
    attempt(async () => {
      await send('PATCH', `/api/studies/${line.id}`, { title: next });
      await refresh();
    });
  const duplicate = (line: Line) =>
    attempt(async () => {
      await send('POST', `/api/studies/${line.id}/duplicate`);
      await refresh();
    });
  const remove = (line: Line) =>
    attempt(async () => {
      await send('DELETE', `/api/studies/${line.id}`);
      setLeaving(undefined);
      await refresh();
      tell({
        text: `“${line.title}” was deleted.`,
        actions: [{ label: 'Bring it back', run: () => bringBack(line) }],
      });
    });
  const bringBack = ({ id }: { id: string }) =>
    attempt(async () => {
      await send('POST', `/api/studies/${id}/restore`);
      untell();
      await refresh();
    });
  const deleteForGood = ({ id }: DeletedStudy) =>
    attempt(async () => {
      await send('DELETE', `/api/studies/${id}/for-good`);
      untell();
      await refresh();
    });

  if (file)
    return (
      <div className="mx-auto flex h-[calc(100vh-8rem)] max-w-7xl flex-col">
        <h1 className="pb-3 text-3xl">A new study</h1>
        <ImportPanel file={file} study={undefined} onTaken={open} onLeave={() => setFile(undefined)} />
      </div>
    );
  return (
    <div
      className={`mx-auto max-w-[53.5rem] ${over ? 'outline-2 outline-offset-8 outline-primary outline-dashed' : ''}`}
    >
      <h1 className="text-3xl">Studies</h1>
      <form onSubmit={begin} className="mt-5 flex items-baseline gap-4">
        <label htmlFor="new-study" className="text-muted">
          Start one about
        </label>
        <input
          id="new-study"
          className="part grow text-left font-serif text-xl"
          value={title}
          maxLength={200}
          placeholder="a few words, then Enter"
          onChange={(e) => setTitle(e.target.value)}
        />
        <button type="submit" className="plain-button" disabled={!title.trim()}>
          Start
        </button>
      </form>
      <p className="mt-2 text-sm">
        <button type="button" className="plain-button" onClick={picker.pick}>
          <FolderOpen size={15} aria-hidden /> Start from a file
        </button>
        {picker.field}{' '}
        <span className="text-muted">
          drop one here, or paste a table with Ctrl+V: readings as CSV, TSV or XLSX, or a whole study as ZIP
        </span>
      </p>
      {trouble && (
        <p role="alert" className="mt-3 text-error">
          {trouble}
        </p>
      )}
      {opened && (
        <p role="alert" className="mt-3 max-w-[72ch] text-sm">
          “{opened.name}” was opened, and is not as it was saved:{' '}
          {listed(opened.changed.slice(0, 8).map((f) => `“${f}”`))}
          {opened.changed.length > 8 && ` and ${opened.changed.length - 8} more`} changed since.{' '}
          <a className="plain-button" href={`/studies/${opened.id}`}>
            Open the study as it is
          </a>
        </p>
      )}
      <ol className="mt-6 border-t border-line">
        {lines.map((line) => (
          <li
            key={line.id}
            className="grid grid-cols-[1fr_7rem_auto] items-baseline gap-x-6 border-b border-line py-2.5"
          >
            <div className="min-w-0">
              {renaming === line.id ? (
                <Title line={line} onRename={(next) => rename(line, next)} onDone={() => setRenaming(undefined)} />
              ) : (
                <a
                  href={`/studies/${line.id}`}
                  className="font-serif text-lg [overflow-wrap:anywhere] hover:text-primary hover:underline hover:underline-offset-4"
                >
                  {line.title}
                </a>
              )}
              <p className="truncate text-sm text-muted">{line.compared ?? 'Nothing compared yet'}</p>
            </div>
            <time dateTime={line.changedAt} className="text-right text-sm text-muted">
              {day(line.changedAt)}
            </time>
            {leaving === line.id ? (
              <Leaving onDelete={() => remove(line)} onKeep={() => setLeaving(undefined)} />
            ) : (
              <span className="flex gap-3 text-sm">
                <IconButton
                  name={`Rename ${line.title}`}
                  says="Rename"
                  icon={Pencil}
                  onClick={() => setRenaming(line.id)}
                />
                <IconButton
                  name={`Duplicate ${line.title}`}
                  says="Duplicate"
                  icon={Copy}
                  onClick={() => duplicate(line)}
                />
                <IconButton
                  name={`Delete ${line.title}`}
                  says="Delete"
                  icon={Trash2}
                  onClick={() => setLeaving(line.id)}
                />
              </span>
            )}
          </li>
        ))}
      </ol>
      {lines.length === 0 && !opened && (
        <p className="mt-4 text-muted">
          The shelf is empty. Type what your first study is about, or look at a finished one.
        </p>
      )}
      <DeletedStudies studies={deleted} onBringBack={bringBack} onDelete={deleteForGood} />
      <p className="mt-6 text-sm">
        <button
          type="button"
          className="plain-button"
          onClick={() =>
            attempt(async () => open((await send<{ id: string }>('POST', '/api/studies/demo')).id, '?guide=yes'))
          }
        >
          Open a fresh copy of the demo study
        </button>
      </p>
      <Backup isEmpty={lines.length + deleted.length === 0 && !opened} />
      <nav aria-label="Bench" className="mt-8 text-sm">
        <h2 className="part-of-page">On the bench, without a study</h2>
        <ul className="flex flex-wrap gap-x-6">
          {(
            [
              ['/bench/curves', 'Curve reader', 'areas and critical values'],
              ['/bench/planner', 'Sample planner', 'how many are needed'],
              [
                '/bench/draw?task=layout&treatments=Red lamp, White lamp, Blue lamp',
                'Draw and allocate',
                'samples, treatments, tanks',
              ],
            ] as const
          ).map(([href, name, what]) => (
            <li key={href}>
              <a className="plain-button" href={href}>
                {name}
              </a>{' '}
              <span className="text-muted">{what}</span>
            </li>
          ))}
        </ul>
      </nav>
    </div>
  );
}
