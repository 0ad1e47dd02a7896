import { useEffect, useState } from 'react';
import { send } from './api';
import { followStudy } from './changes';

interface Entry {
  id: string;
  label: string;
  href: string;
}

/** A study's list of what is in it. */
export interface SpineLists {
  readings: Entry[];
  questions: Entry[];
  figures: Entry[];
  writeUp: Entry[];
  log: Entry[];
}

const parts = [
  ['Readings', 'readings'],
  ['Questions', 'questions'],
  ['Figures', 'figures'],
  ['Write-up', 'writeUp'],
  ['Log', 'log'],
] as const;

/** What every page of a study shows on its left; it follows what is done in any window, this one too. */
export function Spine({ study, start, current }: { study: string; start: SpineLists; current: string }) {
  const [lists, setLists] = useState(start);
  useEffect(
    () =>
      followStudy(() => {
        void send<SpineLists>('GET', `/api/studies/${study}/spine`).then(setLists, () => undefined);
      }),
    [study],
  );
  return (
    <>
      {parts.map(
        ([name, of]) =>
          lists[of].length > 0 && (
            <section key={name} className="mb-4">
              <h2 className="part-of-page">{name}</h2>
              <ul>
                {lists[of].map(({ id, label, href }) => (
                  <li key={id}>
                    <a
                      href={href}
                      aria-current={id === current ? 'page' : undefined}
                      className={`block border-l-2 py-0.5 pl-2 [overflow-wrap:anywhere] hover:border-primary ${
                        id === current ? 'border-primary font-semibold' : 'border-transparent'
                      }`}
                    >
                      {label}
                    </a>
                  </li>
                ))}
              </ul>
            </section>
          ),
      )}
    </>
  );
}
