import { type ReactNode, useSyncExternalStore } from 'react';

const never = () => () => undefined;

/**
 * What the server has drawn and the page is about to take over: in sight at once, and without an ear for keys and
 * clicks until they are heard, so that none is lost.
 */
export function Live({ className, children }: { className?: string; children: ReactNode }) {
  const live = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  return (
    <div className={className} inert={!live}>
      {children}
    </div>
  );
}
