import { useEffect, useState } from 'react';

interface Folds {
  /** Whether everything is open but what was closed by itself. */
  all: boolean;
  own: Record<string, boolean>;
}
const none: Folds = { all: false, own: {} };

function keptFolds(key: string): Folds {
  try {
    return { ...none, ...(JSON.parse(window.localStorage.getItem(key) ?? '{}') as Partial<Folds>) };
  } catch {
    return none;
  }
}

/** What of a study's list is folded, kept by this browser from page to page. */
export function useFolds(study: string) {
  const key = `divide-folds-${study}`;
  const [folds, setFolds] = useState(none);
  // The server does not know them: the list is drawn as it comes, then as it was left.
  useEffect(() => {
    const kept = keptFolds(key);
    if (kept.all || Object.keys(kept.own).length > 0) queueMicrotask(() => setFolds(kept));
  }, [key]);
  const put = (next: Folds): void => {
    setFolds(next);
    try {
      window.localStorage.setItem(key, JSON.stringify(next));
    } catch {
      // A browser that keeps nothing folds for this page alone.
    }
  };
  return {
    all: folds.all,
    of: (id: string): boolean | undefined => folds.own[id],
    fold: (id: string, open: boolean): void => put({ ...folds, own: { ...folds.own, [id]: open } }),
    foldAll: (all: boolean): void => put({ all, own: {} }),
  };
}
