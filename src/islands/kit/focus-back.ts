import { useEffect, useState } from 'react';

const nameOf = (element: Element): string => element.getAttribute('aria-label') ?? element.textContent;

/**
 * Gives focus back to what opened this, once it is gone and nothing else took the focus: to the same element, or, where
 * this stood in its place, to the one that bears its name now.
 */
export function useFocusBack(): void {
  const [opener] = useState(() => (typeof document === 'undefined' ? null : document.activeElement));
  useEffect(
    () => () => {
      if (!opener || document.activeElement !== document.body) return;
      const name = nameOf(opener);
      const back = opener.isConnected
        ? opener
        : [...document.querySelectorAll(opener.tagName)].find((e) => nameOf(e) === name);
      (back as HTMLElement | undefined)?.focus({ preventScroll: true });
    },
    [opener],
  );
}
