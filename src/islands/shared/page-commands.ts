import { atom } from 'nanostores';
import { useEffect } from 'react';
import type { Action } from '../kit/action';

/** What the page can do besides what stands on it: found by name, wherever it is folded away. */
export const $pageActions = atom<readonly Action[]>([]);

/** Lets these be found by name while the page is open. */
export function usePageActions(actions: readonly Action[]): void {
  useEffect(() => $pageActions.set(actions));
  useEffect(() => () => $pageActions.set([]), []);
}
