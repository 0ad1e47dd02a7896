import { useEffect, useRef, useState } from 'react';
import { Refused, send } from './api';
import type { Saving } from './saving';

/**
 * A question or a figure's style being worked on: shown at once, sent one after the other with the revision it started
 * from, the newest only when several wait.
 */
export function useKeptValue<T>(path: string, name: string, start: T, startRevision: number) {
  const [value, setValue] = useState(start);
  const [saving, setSaving] = useState<Saving>({ state: 'saved' });
  const wire = useRef({ revision: startRevision, waiting: undefined as T | undefined, busy: false });

  const sendNewest = async (): Promise<void> => {
    const w = wire.current;
    if (w.busy) return;
    w.busy = true;
    while (w.waiting !== undefined) {
      const next = w.waiting;
      w.waiting = undefined;
      setSaving({ state: 'saving' });
      try {
        ({ revision: w.revision } = await send<{ revision: number }>('PUT', path, {
          revision: w.revision,
          [name]: next,
        }));
        setSaving({ state: 'saved' });
      } catch (error) {
        if (error instanceof Refused) {
          setSaving({ state: 'refused', reason: error.message });
          break;
        }
        w.waiting ??= next;
        setSaving({ state: 'waiting' });
        await new Promise((resolve) => setTimeout(resolve, 2000));
      }
    }
    w.busy = false;
  };

  const change = (next: T): void => {
    setValue(next);
    wire.current.waiting = next;
    void sendNewest();
  };

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (wire.current.busy || wire.current.waiting !== undefined) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, []);

  return { value, change, saving };
}
