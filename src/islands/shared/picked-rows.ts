import { useSyncExternalStore } from 'react';

/** Rows of a table picked in one place and shown in another: kept in the browser, and told to its other windows. */
const key = (table: string): string => `divide-picked-${table}`;

/** Remembers which rows of a table are picked; none forgets them. */
export function keepPicked(table: string, rows: Iterable<number>): void {
  const list = [...rows].sort((a, b) => a - b);
  try {
    if (list.length === 0) localStorage.removeItem(key(table));
    else localStorage.setItem(key(table), JSON.stringify(list));
  } catch {
    // Without storage picking stays within its page.
  }
}

/** The rows picked in a table. */
export function pickedRows(table: string): Set<number> {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key(table)) ?? '[]');
    return new Set(Array.isArray(kept) ? kept.filter((row): row is number => Number.isInteger(row)) : []);
  } catch {
    return new Set();
  }
}

const none: ReadonlySet<number> = new Set();
const last = new Map<string, { kept: string; rows: ReadonlySet<number> }>();

/** The same set as long as the same rows are kept. */
function pickedNow(table: string): ReadonlySet<number> {
  let kept = '';
  try {
    kept = localStorage.getItem(key(table)) ?? '';
  } catch {
    return none;
  }
  const before = last.get(table);
  if (before?.kept === kept) return before.rows;
  const rows = pickedRows(table);
  last.set(table, { kept, rows });
  return rows;
}

const follow = (changed: () => void): (() => void) => {
  window.addEventListener('storage', changed);
  return () => window.removeEventListener('storage', changed);
};

/** The rows picked in a table, followed while another window changes them; what the server draws knows of none. */
export const usePickedRows = (table: string): ReadonlySet<number> =>
  useSyncExternalStore(
    follow,
    () => pickedNow(table),
    () => none,
  );
