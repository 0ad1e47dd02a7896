import { flushSync } from 'react-dom';
import { type Root, createRoot } from 'react-dom/client';
import { CommandLine } from './CommandLine';

let root: Root | undefined;
let open = false;

/**
 * Opens the command line or the list of keys over the page. It stands, with the focus in it, when this
 * returns: what is typed right after the key that called it would else go into the readings below.
 */
export function openOver(shows: 'commands' | 'keys'): void {
  if (open) return;
  open = true;
  root ??= createRoot(document.body.appendChild(document.createElement('div')));
  const over = root;
  flushSync(() =>
    over.render(
      <CommandLine
        key={shows}
        shows={shows}
        onClose={() => {
          open = false;
          over.render(null);
        }}
      />,
    ),
  );
}
