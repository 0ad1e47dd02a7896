import type { Answering } from './use-answer';

/** What stands where a part will be that is still worked out. */
export const WorkingItOut = () => <p className="text-sm text-muted">Working it out …</p>;

/** What stands where the answer will be while a worker is at it, with Stop. */
export const WorkingOut = ({ working, stop, again }: Pick<Answering, 'working' | 'stop' | 'again'>) => (
  <p role="status" className="flex h-24 items-center gap-4 text-muted" data-testid="working-out">
    {working ? (
      <>
        <progress className="progress w-40" aria-label="Working the answer out" />
        Working the answer out …
        <button type="button" className="plain-button" onClick={stop}>
          Stop
        </button>
      </>
    ) : (
      <>
        Stopped: there is no answer.
        <button type="button" className="plain-button" onClick={again}>
          Work it out
        </button>
      </>
    )}
  </p>
);
