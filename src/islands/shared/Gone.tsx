import type { ReactNode } from 'react';

/** That what this is a page of was removed, and where it is brought back. */
export function Gone({ reason, children }: { reason: string; children?: ReactNode }) {
  const log = `${window.location.pathname.split('/').slice(0, 3).join('/')}/log`;
  const ofStudy = reason.includes('shelf');
  return (
    <div role="alert" className="border-l-4 border-warning bg-base-200 px-4 py-2 text-sm">
      <p>{reason}</p>
      <p className="mt-1 flex flex-wrap gap-x-5">
        <a className="plain-button" href={ofStudy ? '/' : log}>
          {ofStudy ? 'Go to the shelf' : 'Open the log'}
        </a>
        {children}
      </p>
    </div>
  );
}
