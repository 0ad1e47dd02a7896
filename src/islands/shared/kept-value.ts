import { useEffect, useRef, useState } from 'react';
import { insisting, savingAfter, send } from './api';
import { elsewhere, followAddress } from './changes';
import type { Saving } from './saving';

/** A value being worked on that the server keeps, and how it stands. */
export interface KeptValue<T> {
  value: T;
  change: (next: T) => void;
  saving: Saving;
  /** Counts how often another window's value was taken in place of the one shown. */
  taken: number;
  /** After a refusal: puts what was typed here over what another window made of it. */
  putAgain: () => Promise<void>;
  /** Takes what is kept now, and lets what was typed here go. */
  takeNewer: () => Promise<void>;
  /** What was typed here and is not kept. */
  unsaved: T | undefined;
}

/**
 * A question, a figure's style or a write-up being worked on: shown at once, sent one after the other with the revision it
 * started from, the newest only when several wait. What is refused stays pending until the person says what becomes of it;
 * what other windows change is taken in at once where nothing here waits.
 */
export function useKeptValue<T>(path: string, name: string, start: T, startRevision: number): KeptValue<T> {
  const [value, setValue] = useState(start);
  const [saving, setSaving] = useState<Saving>({ state: 'saved' });
  const [taken, setTaken] = useState(0);
  const wire = useRef({ revision: startRevision, waiting: undefined as T | undefined, busy: false, stopped: false });

  const kept = async (): Promise<{ revision: number; value: T }> => {
    const found = await send<(Record<string, T> & { revision: number }) | null>('GET', path);
    return found ? { revision: found.revision, value: found[name] as T } : { revision: 0, value: start };
  };

  const sendNewest = async (): Promise<void> => {
    const w = wire.current;
    if (w.busy || w.stopped) return;
    w.busy = true;
    try {
      while (w.waiting !== undefined) {
        const next = w.waiting;
        setSaving({ state: 'saving' });
        // The same until it is answered: that it came the first time, and only its reply was lost, is told by what it is.
        const put = () => send<{ revision: number }>('PUT', path, { revision: w.revision, [name]: next });
        ({ revision: w.revision } = await insisting(put, setSaving));
        if (w.waiting === next) w.waiting = undefined;
        setSaving({ state: 'saved' });
      }
    } catch (error) {
      const became = savingAfter(error);
      // Where the value itself was refused, the next one may be taken.
      w.stopped = became.state !== 'refused' || became.newer;
    }
    w.busy = false;
  };

  const change = (next: T): void => {
    setValue(next);
    wire.current.waiting = next;
    void sendNewest();
  };

  const take = (newer: { revision: number; value: T }, note?: string): void => {
    Object.assign(wire.current, { revision: newer.revision, waiting: undefined, stopped: false });
    setValue(newer.value);
    setTaken((n) => n + 1);
    setSaving({ state: 'saved', ...(note === undefined ? {} : { note }) });
  };

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (wire.current.waiting !== undefined) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    const stop = followAddress(path, (changed) => {
      const idle = () => !wire.current.busy && wire.current.waiting === undefined;
      if (!idle()) return;
      kept().then(
        (newer) => {
          if (idle() && newer.revision > wire.current.revision) take(newer, elsewhere(changed));
          else if (wire.current.stopped) take(newer);
        },
        (error: unknown) => {
          const became = savingAfter(error);
          if (became.state !== 'gone' || !idle()) return;
          wire.current.stopped = true;
          setSaving(became);
        },
      );
    });
    return () => {
      window.removeEventListener('beforeunload', warn);
      stop();
    };
    // What it does depends on the address alone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [path]);

  return {
    value,
    change,
    saving,
    taken,
    putAgain: async () => {
      const { revision } = await kept();
      Object.assign(wire.current, { revision, stopped: false });
      await sendNewest();
    },
    takeNewer: async () => take(await kept()),
    unsaved: saving.state === 'saved' ? undefined : value,
  };
}
