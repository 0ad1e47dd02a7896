import { type Root, createRoot } from 'react-dom/client';
import { CommandLine } from './CommandLine';

let root: Root | undefined;
let open = false;

/** Opens the command line or the list of keys over the page. */
export function openOver(shows: 'commands' | 'keys'): void {
  if (open) return;
  open = true;
  root ??= createRoot(document.body.appendChild(document.createElement('div')));
  root.render(
    <CommandLine
      key={shows}
      shows={shows}
      onClose={() => {
        open = false;
        root?.render(null);
      }}
    />,
  );
}
