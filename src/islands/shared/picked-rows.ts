import { useEffect, useState } from 'react';

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

/** The same, followed while another window changes them. */
export function usePickedRows(table: string): Set<number> {
  const [rows, setRows] = useState(() => pickedRows(table));
  useEffect(() => {
    const follow = (event: StorageEvent) => {
      if (event.key === key(table)) setRows(pickedRows(table));
    };
    window.addEventListener('storage', follow);
    return () => window.removeEventListener('storage', follow);
  }, [table]);
  return rows;
}
