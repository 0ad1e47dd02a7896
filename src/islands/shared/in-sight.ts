import { type RefObject, useEffect, useState } from 'react';

/** How long a place must stay in sight to count as looked at: parts that come above it push it down at first, in ms. */
const aLook = 500;

/** Whether a place on the page has been looked at; once it has, it stays so. */
export function useInSight(place: RefObject<Element | null>): boolean {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    const element = place.current;
    if (seen || !element) return;
    let look: ReturnType<typeof setTimeout> | undefined;
    const watcher = new IntersectionObserver((entries) => {
      clearTimeout(look);
      if (entries.at(-1)?.isIntersecting) look = setTimeout(() => setSeen(true), aLook);
    });
    watcher.observe(element);
    return () => {
      clearTimeout(look);
      watcher.disconnect();
    };
  }, [place, seen]);
  return seen;
}
