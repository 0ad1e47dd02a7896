import type { ReactNode } from 'react';
import type { Query } from './address';

/** The page of a question that a tool was opened from; undefined where it was opened by itself. */
export const questionIn = (query: Query): string | undefined =>
  /^\/studies\/[\w-]+\/questions\/[\w-]+$/.exec(query['question'] ?? '')?.[0];

/** The way back to the question a tool was opened from, and what can be brought there. */
export function BackTo({ query, before, children }: { query: Query; before: string; children?: ReactNode }) {
  const href = questionIn(query);
  if (!href) return null;
  return (
    <p className="not-print mt-1 text-sm">
      {before}{' '}
      <a className="plain-button" href={href}>
        {query['name'] ?? 'a question of a study'}
      </a>
      {children}
    </p>
  );
}
