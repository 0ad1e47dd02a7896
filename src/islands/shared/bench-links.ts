import { atom } from 'nanostores';
import { useEffect } from 'react';

/** Where each tool of the bench stands; with a query it opens on what a page is about. */
export const benchHome = { planner: '/bench/planner', curves: '/bench/curves', draw: '/bench/draw' } as const;
export type BenchLinks = Record<keyof typeof benchHome, string>;

/** The tools of the bench as this page leads to them. */
export const $benchLinks = atom<BenchLinks>(benchHome);

/** Lets the bench be opened on what this page is about. */
export function useBenchLinks(links: BenchLinks): void {
  useEffect(() => $benchLinks.set(links));
  useEffect(() => () => $benchLinks.set(benchHome), []);
}
