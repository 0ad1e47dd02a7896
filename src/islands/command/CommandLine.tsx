import { Autocomplete } from '@base-ui/react/autocomplete';
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { type Command, commandsHere, found } from './commands';
import { shortcuts } from './shortcuts';

/** Most that are listed at once. */
const most = 60;

function List({ onDone }: { onDone: (run: () => void) => void }) {
  const [all, setAll] = useState(commandsHere);
  // Called before the page has come to life, it lists what the page can do as soon as it can do it.
  useEffect(() => {
    const page = document.querySelector('main');
    if (!page) return undefined;
    const observer = new MutationObserver(() => setAll(commandsHere()));
    observer.observe(page, { childList: true, subtree: true, attributeFilter: ['disabled'] });
    return () => observer.disconnect();
  }, []);
  const [typed, setTyped] = useState('');
  const shown = useMemo(() => found(all, typed).slice(0, most), [all, typed]);
  return (
    <Autocomplete.Root
      open
      inline
      mode="none"
      autoHighlight="always"
      keepHighlight
      items={shown}
      itemToStringValue={({ name }: Command) => name}
      value={typed}
      onValueChange={(next, { reason }) => reason === 'input-change' && setTyped(next)}
    >
      <Autocomplete.Input
        className="part w-full font-serif text-xl"
        aria-label="Go anywhere, do anything by its name"
        placeholder="a place, a question, something to do"
        autoFocus
      />
      <Autocomplete.List aria-label="What fits" className="mt-2 max-h-80 overflow-y-auto text-sm">
        {(command: Command) => (
          <Autocomplete.Item
            key={`${command.group} ${command.name}`}
            value={command}
            className="menu-line justify-between !items-baseline"
            onClick={() => onDone(command.run)}
          >
            <span className="min-w-0 [overflow-wrap:anywhere]">{command.name}</span>
            <span className="shrink-0 text-muted">{command.group}</span>
          </Autocomplete.Item>
        )}
      </Autocomplete.List>
      <Autocomplete.Empty className="mt-2 text-sm text-muted">
        {shown.length === 0 && 'Nothing here goes by that name.'}
      </Autocomplete.Empty>
    </Autocomplete.Root>
  );
}

function Keys() {
  return (
    <div className="columns-2 gap-8 text-sm">
      {shortcuts.map(([place, keys]) => (
        <section key={place} className="mb-4 break-inside-avoid">
          <h2 className="part-of-page">{place}</h2>
          <dl>
            {keys.map(([key, what]) => (
              <div key={key} className="grid grid-cols-[10rem_1fr] border-b border-line/50 py-0.5">
                <dt>{key}</dt>
                <dd className="text-muted">{what}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </div>
  );
}

/** The command line, or the list of keys, over the page. Closing gives the focus back to where it was. */
export function CommandLine({ shows, onClose }: { shows: 'commands' | 'keys'; onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  const then = useRef<(() => void) | undefined>(undefined);
  useLayoutEffect(() => {
    dialog.current?.showModal();
  }, []);
  return (
    <dialog
      ref={dialog}
      aria-label={shows === 'commands' ? 'Command line' : 'Keys and help'}
      className={`mx-auto mt-[12vh] border border-line bg-base-100 p-4 text-base-content backdrop:bg-black/20 ${shows === 'commands' ? 'w-[36rem]' : 'w-[56rem] max-w-[94vw]'}`}
      onClose={() => {
        onClose();
        // After the dialog has given the focus back.
        then.current?.();
      }}
      onClick={(e) => e.target === dialog.current && dialog.current.close()}
    >
      {shows === 'commands' ? (
        <List
          onDone={(run) => {
            then.current = run;
            dialog.current?.close();
          }}
        />
      ) : (
        <>
          <p className="mb-3 flex flex-wrap gap-x-6 text-sm">
            <a className="plain-button font-semibold" href="/help">
              Methods and terms explained
            </a>
            <a className="plain-button" href="/api/openapi.json">
              How another program asks the same
            </a>
          </p>
          <Keys />
          <button type="button" className="plain-button text-sm" onClick={() => dialog.current?.close()}>
            Close
          </button>
        </>
      )}
    </dialog>
  );
}
