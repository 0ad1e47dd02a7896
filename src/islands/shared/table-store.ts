import { type ReadableAtom, atom } from 'nanostores';
import { attempt } from '../../core/numeric/domain-error';
import { applyEdits } from '../../core/readings/edits';
import type { TableEdit } from '../../core/readings/table-edit';
import type { Table } from '../../core/readings/table';
import { Refused, send } from './api';
import { fetchTable } from './fetch-table';
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
  /** Takes the server's table if it is newer and nothing here waits to be saved. */
  refresh: () => Promise<void>;
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
    announce(kept.table.id);
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
      announce(kept.table.id);
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

  const take = (newer: Kept): void => {
    ({ revision } = newer);
    $table.set(newer.table);
    $steps.set({ canUndo: newer.canUndo, canRedo: newer.canRedo });
  };

  const takeNewer = async (): Promise<void> => {
    take(await fetchTable(kept.table.id));
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
    refresh: async () => {
      const idle = () => pending.length === 0 && !stepping && $saving.get().state === 'saved';
      if (!idle()) return;
      const newer = await fetchTable(kept.table.id).catch(() => undefined);
      if (newer && newer.revision > revision && idle()) take(newer);
    },
    unsaved: () => pending.flat().flatMap((e) => (e.kind === 'write' ? e.texts.flat().filter((t) => t !== '') : [])),
  };
}

/** Pages of this browser tell one another when a table has a new revision. */
const channelName = 'divide-tables';

/** Calls when another page of this browser has changed a table. @returns what ends it */
export function onTablesChanged(hear: (table: string) => void): () => void {
  const channel = new BroadcastChannel(channelName);
  channel.onmessage = (event: MessageEvent<{ table: string }>) => hear(event.data.table);
  return () => channel.close();
}

/**
 * Keeps a page true to the readings while another window changes them: it takes the newer table as soon as it hears of
 * it, or is looked at again; with unsaved changes of its own it waits for the server to say that the two collide.
 */
export function followTable(store: TableStore): () => void {
  const look = () => {
    if (document.visibilityState === 'visible') void store.refresh();
  };
  const stop = onTablesChanged((table) => {
    if (table === store.$table.get().id) void store.refresh();
  });
  document.addEventListener('visibilitychange', look);
  window.addEventListener('focus', look);
  return () => {
    stop();
    document.removeEventListener('visibilitychange', look);
    window.removeEventListener('focus', look);
  };
}

function announce(table: string): void {
  const channel = new BroadcastChannel(channelName);
  channel.postMessage({ table });
  channel.close();
}

/** Keeps the page open while something is not saved. */
export function guardUnsaved(store: TableStore): () => void {
  const warn = (event: BeforeUnloadEvent) => {
    if (store.$saving.get().state !== 'saved') event.preventDefault();
  };
  window.addEventListener('beforeunload', warn);
  return () => window.removeEventListener('beforeunload', warn);
}
