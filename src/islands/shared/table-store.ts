import { type ReadableAtom, atom } from 'nanostores';
import { attempt } from '../../core/numeric/domain-error';
import { type TableEdit, applyEdits } from '../../core/readings/edits';
import type { Table } from '../../core/readings/table';
import { Refused, send } from './api';
import type { Saving } from './saving';

/** A table as the server keeps it. */
export interface Kept {
  table: Table;
  revision: number;
  canUndo: boolean;
  canRedo: boolean;
}

/** A table being worked on: changes show at once, and are sent one after the other. */
export interface TableStore {
  $table: ReadableAtom<Table>;
  $saving: ReadableAtom<Saving>;
  $steps: ReadableAtom<{ canUndo: boolean; canRedo: boolean }>;
  /** Makes a change. @returns why it cannot be made, if so */
  edit: (edits: TableEdit[]) => string | undefined;
  undo: () => Promise<void>;
  redo: () => Promise<void>;
  /** After a refusal: takes the server's newer state and puts the unsaved changes on top of it again. */
  putAgain: () => Promise<void>;
  /** After a refusal: takes the server's state and lets the unsaved changes go. */
  letGo: () => Promise<void>;
  /** Cells of the changes that were refused, to be shown to the person. */
  unsaved: () => string[];
}

const retryMs = 2000;

/** Starts a store from what the server keeps. */
export function tableStore(kept: Kept): TableStore {
  const $table = atom(kept.table);
  const $saving = atom<Saving>({ state: 'saved' });
  const $steps = atom({ canUndo: kept.canUndo, canRedo: kept.canRedo });
  const path = `/api/tables/${kept.table.id}`;
  let revision = kept.revision;
  let pending: TableEdit[][] = [];
  let sending: Promise<void> | undefined;
  let stepping: Promise<void> | undefined;

  const sendAll = async (): Promise<void> => {
    while (pending[0]) {
      $saving.set({ state: 'saving' });
      try {
        ({ revision } = await send<{ revision: number }>('POST', `${path}/edits`, { revision, edits: pending[0] }));
        pending.shift();
      } catch (error) {
        if (error instanceof Refused) return $saving.set({ state: 'refused', reason: error.message });
        $saving.set({ state: 'waiting' });
        await new Promise((resolve) => setTimeout(resolve, retryMs));
      }
    }
    $saving.set({ state: 'saved' });
  };
  const flush = (): Promise<void> => {
    if ($saving.get().state === 'refused') return Promise.resolve();
    sending ??= sendAll().finally(() => (sending = undefined));
    return sending;
  };

  const edit = (edits: TableEdit[]): string | undefined => {
    if (edits.length === 0) return undefined;
    // An edit made while an undo is on its way is meant for the table as it will be then.
    if (stepping) {
      void stepping.then(() => edit(edits));
      return undefined;
    }
    const done = attempt(() => applyEdits($table.get(), edits));
    if (!done.ok) return done.reason;
    $table.set(done.value.table);
    $steps.set({ canUndo: true, canRedo: false });
    pending.push(edits);
    void flush();
    return undefined;
  };

  const step = async (which: 'undo' | 'redo'): Promise<void> => {
    await flush();
    if (pending.length > 0) return;
    try {
      type Stepped = { revision: number; edits: TableEdit[]; canUndo: boolean; canRedo: boolean };
      const done = await send<Stepped | null>('POST', `${path}/step`, { revision, step: which });
      if (!done) return $steps.set({ ...$steps.get(), [which === 'undo' ? 'canUndo' : 'canRedo']: false });
      ({ revision } = done);
      $table.set(applyEdits($table.get(), done.edits).table);
      $steps.set({ canUndo: done.canUndo, canRedo: done.canRedo });
    } catch (error) {
      $saving.set(error instanceof Refused ? { state: 'refused', reason: error.message } : { state: 'waiting' });
    }
  };

  /** One step after the other: each starts from the revision the one before made. */
  const inTurn = (which: 'undo' | 'redo'): Promise<void> => {
    const mine: Promise<void> = (stepping ?? Promise.resolve())
      .then(() => step(which))
      .finally(() => {
        if (stepping === mine) stepping = undefined;
      });
    stepping = mine;
    return mine;
  };

  const takeNewer = async (): Promise<void> => {
    const newer = await send<Kept>('GET', path);
    ({ revision } = newer);
    $table.set(newer.table);
    $steps.set({ canUndo: newer.canUndo, canRedo: newer.canRedo });
    $saving.set({ state: 'saved' });
  };

  return {
    $table,
    $saving,
    $steps,
    edit,
    undo: () => inTurn('undo'),
    redo: () => inTurn('redo'),
    putAgain: async () => {
      const mine = pending;
      pending = [];
      await takeNewer();
      for (const edits of mine) {
        const refused = edit(edits);
        // A change that no longer fits (its column is gone) stays in sight instead of vanishing.
        if (refused) {
          pending.push(edits);
          $saving.set({ state: 'refused', reason: refused });
          return;
        }
      }
    },
    letGo: async () => {
      pending = [];
      await takeNewer();
    },
    unsaved: () => pending.flat().flatMap((e) => (e.kind === 'write' ? e.texts.flat().filter((t) => t !== '') : [])),
  };
}

/** Keeps the page open while something is not saved. */
export function guardUnsaved(store: TableStore): () => void {
  const warn = (event: BeforeUnloadEvent) => {
    if (store.$saving.get().state !== 'saved') event.preventDefault();
  };
  window.addEventListener('beforeunload', warn);
  return () => window.removeEventListener('beforeunload', warn);
}
