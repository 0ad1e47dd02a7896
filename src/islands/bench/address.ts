import { useCallback, useEffect, useState } from 'react';
import { fieldText, typedNumber } from '../../core/readings/typed-number';

/** What a tool of the bench stands on: texts by key, as its address holds them. */
export type Query = Readonly<Record<string, string>>;

const now = (): Query => Object.fromEntries(new URLSearchParams(window.location.search));

/**
 * The whole state of a tool, kept in its address: shared by copying it, gone through by back and forward.
 * `change` makes a step one can go back from; `drag` follows a hand without leaving steps behind.
 */
export function useAddress(): {
  query: Query;
  change: (part: Partial<Query>) => void;
  drag: (part: Partial<Query>) => void;
} {
  const [query, setQuery] = useState(now);
  useEffect(() => {
    const back = () => setQuery(now());
    window.addEventListener('popstate', back);
    return () => window.removeEventListener('popstate', back);
  }, []);
  const put = useCallback((part: Partial<Query>, how: 'pushState' | 'replaceState') => {
    const next = Object.fromEntries(
      Object.entries({ ...now(), ...part }).filter(
        (pair): pair is [string, string] => pair[1] !== undefined && pair[1] !== '',
      ),
    );
    const search = new URLSearchParams(next).toString();
    window.history[how](null, '', search ? `?${search}` : window.location.pathname);
    setQuery(next);
  }, []);
  return {
    query,
    change: useCallback((part) => put(part, 'pushState'), [put]),
    drag: useCallback((part) => put(part, 'replaceState'), [put]),
  };
}

/** A number of the address; undefined where there is none. */
export function numberOf(query: Query, key: string): number | undefined {
  const typed = typedNumber(query[key] ?? '');
  return typed.kind === 'number' ? typed.value : undefined;
}

/** A number as the address holds it. */
export const asQuery = (value: number | undefined): string | undefined =>
  value === undefined ? undefined : fieldText(value);
