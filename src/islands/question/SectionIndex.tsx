import { useEffect, useState } from 'react';

/** The id of a part's heading. */
export const partId = (name: string): string => `part-${name}`;

/** The parts of the page in a row, the one that is read marked: it follows the scroll, and leads to each. */
export function SectionIndex({ parts }: { parts: readonly string[] }) {
  const [current, setCurrent] = useState(parts[0]);
  const listed = parts.join(' ');
  useEffect(() => {
    let waiting = 0;
    const look = () => {
      waiting = 0;
      const line = window.innerHeight * 0.35;
      const names = listed.split(' ');
      const passed = names.filter((name) => {
        const heading = document.getElementById(partId(name));
        return heading !== null && heading.getBoundingClientRect().top <= line;
      });
      // At the foot of the page its last part is read, however short it is.
      const atFoot = window.innerHeight + window.scrollY >= document.documentElement.scrollHeight - 4;
      setCurrent(atFoot && window.scrollY > 0 ? names.at(-1) : (passed.at(-1) ?? names[0]));
    };
    const onScroll = () => {
      waiting ||= requestAnimationFrame(look);
    };
    onScroll();
    window.addEventListener('scroll', onScroll, { passive: true });
    return () => {
      cancelAnimationFrame(waiting);
      window.removeEventListener('scroll', onScroll);
    };
  }, [listed]);
  return (
    <nav
      aria-label="On this page"
      className="sticky top-0 z-10 flex justify-between gap-2 border-b border-line bg-base-100 py-1.5 max-[1100px]:hidden"
    >
      {parts.map((name) => (
        <a
          key={name}
          href={`#${partId(name)}`}
          aria-current={name === current ? 'location' : undefined}
          className={`border-b-2 pb-0.5 hover:text-primary ${name === current ? 'border-primary text-primary' : 'border-transparent text-muted'}`}
        >
          {name}
        </a>
      ))}
    </nav>
  );
}
