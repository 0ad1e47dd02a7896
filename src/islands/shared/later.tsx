import { type ComponentType, type ReactNode, useEffect, useState } from 'react';
import { useLive } from './Live';

interface Meanwhile {
  /** What stands in its place until it is there. */
  meanwhile?: ReactNode;
}

/**
 * A part that comes in a script of its own, fetched when it is first shown and there at once ever after. Not React's own
 * way of doing so, which holds back for 300 ms whatever follows a stand-in. The server draws the stand-in, for it would
 * have to send such a part by inline scripts, which the page does not allow.
 */
export function later<P extends object>(
  load: () => Promise<{ default: ComponentType<P> }>,
): ComponentType<P & Meanwhile> {
  let known: ComponentType<P> | undefined;
  return function Later(props: P & Meanwhile) {
    const live = useLive();
    const [Part, setPart] = useState(() => (live ? known : undefined));
    const [failed, setFailed] = useState(false);
    useEffect(() => {
      if (Part || failed) return;
      let left = false;
      const there = ({ default: part }: { default: ComponentType<P> }): void => {
        known = part;
        if (!left) setPart(() => part);
      };
      load().then(there, () => {
        if (!left) setFailed(true);
      });
      return () => {
        left = true;
      };
    }, [Part, failed]);
    if (Part) return <Part {...props} />;
    return failed ? (
      <p role="alert" className="text-sm text-error">
        Divide does not answer, so this part could not be fetched.{' '}
        <button type="button" className="plain-button" onClick={() => setFailed(false)}>
          Try again
        </button>
      </p>
    ) : (
      props.meanwhile
    );
  };
}
