import { flushSync } from 'react-dom';
import { type Root, createRoot } from 'react-dom/client';
import { CommandLine } from './CommandLine';

let over: { host: HTMLElement; root: Root } | undefined;

function made(): { host: HTMLElement; root: Root } {
  const host = document.body.appendChild(document.createElement('div'));
  return { host, root: createRoot(host) };
}

const stands = (host: HTMLElement): boolean => host.querySelector('dialog')?.open === true;

/**
 * Opens the command line or the list of keys over the page. It stands, with the focus in it, when this
 * returns: what is typed right after the key that called it would else go into the readings below.
 */
export function openOver(shows: 'commands' | 'keys'): void {
  const { host, root } = (over ??= made());
  if (stands(host)) return;
  // One that was closed a moment ago may not have left yet.
  flushSync(() => root.render(null));
  flushSync(() =>
    root.render(
      <CommandLine
        shows={shows}
        onClose={() => {
          if (!stands(host)) root.render(null);
        }}
      />,
    ),
  );
}
