import { useSyncExternalStore } from 'react';

const changed = 'address-part';

function subscribe(hear: () => void): () => void {
  window.addEventListener('popstate', hear);
  window.addEventListener(changed, hear);
  return () => {
    window.removeEventListener('popstate', hear);
    window.removeEventListener(changed, hear);
  };
}

/** A part of the address that says how something is looked at, and a way to change it; the server draws without it. */
export function useAddressPart(key: string): [string | undefined, (next: string | undefined) => void] {
  const value = useSyncExternalStore(
    subscribe,
    () => new URLSearchParams(window.location.search).get(key) ?? undefined,
    () => undefined,
  );
  const change = (next: string | undefined) => {
    const query = new URLSearchParams(window.location.search);
    if (next === undefined) query.delete(key);
    else query.set(key, next);
    const search = query.toString();
    window.history.replaceState(null, '', search ? `?${search}` : window.location.pathname);
    window.dispatchEvent(new window.Event(changed));
  };
  return [value, change];
}
