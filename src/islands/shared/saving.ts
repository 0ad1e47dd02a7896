/** How far the last change has come, as the page says it. */
export type Saving =
  /** With what happened last beside one's own typing: changed elsewhere, or taken back. */
  | { state: 'saved'; note?: string }
  | { state: 'saving' }
  /** No answer yet, or the server cannot write: it is kept here and tried again. */
  | { state: 'waiting'; reason?: string }
  /** Refused, with the reason; what was typed is kept here. `newer` when it started from an older state. */
  | { state: 'refused'; reason: string; newer: boolean }
  /** What this is a page of was removed. */
  | { state: 'gone'; reason: string };

/** Milliseconds to wait before trying again, after so many tries that failed. */
export const pause = (tries: number): number => Math.min(2000, 200 * 2 ** tries);

/** Whether the tab is safe to close. */
export const isSafe = ({ state }: Saving): boolean => state === 'saved' || state === 'gone';
