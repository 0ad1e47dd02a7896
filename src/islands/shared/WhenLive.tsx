import { type ReactNode, Suspense } from 'react';
import { useLive } from './Live';

/**
 * A part that comes in a script of its own: a stand-in until the page listens and the script is there. The server draws
 * the stand-in, for it would have to send such a part by inline scripts, which the page does not allow.
 */
export function WhenLive({ meanwhile = null, children }: { meanwhile?: ReactNode; children: ReactNode }) {
  return useLive() ? <Suspense fallback={meanwhile}>{children}</Suspense> : meanwhile;
}
