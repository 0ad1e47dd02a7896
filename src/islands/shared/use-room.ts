import { type RefObject, useEffect, useRef, useState } from 'react';

/** The width a picture has on the page, in whole pixels, at least `least`. @param usual until it is known */
export function useRoom(usual: number, least: number): { frame: RefObject<HTMLDivElement | null>; width: number } {
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(usual);
  useEffect(() => {
    if (!frame.current) return undefined;
    const watcher = new ResizeObserver(
      ([entry]) => entry && setWidth(Math.max(least, Math.floor(entry.contentRect.width))),
    );
    watcher.observe(frame.current);
    return () => watcher.disconnect();
  }, [least]);
  return { frame, width };
}
