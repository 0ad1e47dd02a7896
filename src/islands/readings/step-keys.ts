import { useEffect, useRef } from 'react';

/** Fields keep their own undo while one types in them. */
const fields = 'input, textarea, [contenteditable="true"], dialog';

/**
 * Ctrl+Z and Ctrl+Y wherever the hand is on the page: what was done in the margin is taken back as an edit in the grid is,
 * which hears its own keys.
 */
export function useStepKeys(step: (which: 'undo' | 'redo') => void): void {
  const now = useRef(step);
  useEffect(() => {
    now.current = step;
  });
  useEffect(() => {
    const hear = (event: KeyboardEvent): void => {
      const key = event.key.toLowerCase();
      const isStep = (event.ctrlKey || event.metaKey) && !event.altKey && (key === 'z' || key === 'y');
      const inField = event.target instanceof Element && event.target.closest(fields) !== null;
      if (!isStep || inField || event.defaultPrevented) return;
      event.preventDefault();
      now.current(key === 'y' || event.shiftKey ? 'redo' : 'undo');
    };
    window.addEventListener('keydown', hear);
    return () => {
      window.removeEventListener('keydown', hear);
    };
  }, []);
}
