import { useState } from 'react';
import { type Folds, foldsCookie, foldsText } from '../../core/study/folds';

/** What of a study's list is folded, kept by this browser from page to page. @param kept as the page came with it */
export function useFolds(study: string, kept: Folds) {
  const [folds, setFolds] = useState(kept);
  const put = (next: Folds): void => {
    setFolds(next);
    document.cookie = `${foldsCookie}=${foldsText(next)}; path=/studies/${study}; max-age=31536000; samesite=strict`;
  };
  return {
    all: folds.all,
    of: (id: string): boolean | undefined => folds.own[id],
    fold: (id: string, open: boolean): void => put({ ...folds, own: { ...folds.own, [id]: open } }),
    foldAll: (all: boolean): void => put({ all, own: {} }),
  };
}
