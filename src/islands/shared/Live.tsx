import { type ReactNode, useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** Whether the page has taken over what the server drew. */
export const useLive = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

/**
 * What the server has drawn and the page is about to take over: in sight at once, and without an ear for keys and
 * clicks until they are heard, so that none is lost.
 */
export const Live = ({ className, children }: { className?: string; children: ReactNode }) => (
  <div className={className} inert={!useLive()}>
    {children}
  </div>
);
