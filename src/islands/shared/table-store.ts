import { nanoid } from 'nanoid';
import { type ReadableAtom, atom } from 'nanostores';
import type { Change } from '../../core/study/change';
import { attempt } from '../../core/numeric/domain-error';
import { applyEdits } from '../../core/readings/edits';
import { type LostCell, movedEdits } from '../../core/readings/moved-edits';
import type { TableEdit } from '../../core/readings/table-edit';
import type { Table } from '../../core/readings/table';
import { changeWords } from '../../core/words/changes';
import { insisting, savingAfter, send } from './api';
import { stepBackUnlessLeft } from './give-way';
import { elsewhere, followAddress } from './changes';
import { type Kept, fetchTable } from './fetch-table';
import { type Saving, isSafe } from './saving';

/** A table being worked on: changes show at once, and are sent one after the other. */
export interface TableStore {
  $table: ReadableAtom<Table>;
  $saving: ReadableAtom<Saving>;
  $steps: ReadableAtom<{ canUndo: boolean; canRedo: boolean }>;
  /** Cells that were put in again and have no place in the newer readings, until the person has seen to them. */
  $lost: ReadableAtom<readonly LostCell[]>;
  /** Makes a change. @returns why it cannot be made, if so */
  edit: (edits: TableEdit[]) => string | undefined;
  undo: () => Promise<void>;
  redo: () => Promise<void>;
  /** After a refusal: takes the server's newer state and puts the unsaved changes in again, each by its row and column. */
  putAgain: () => Promise<void>;
  /** After a refusal: takes the server's state and lets the unsaved changes go. */
  letGo: () => Promise<void>;
  /** Takes what is new of the server's table where nothing here waits to be saved. @param change what is known of it */
  refresh: (change?: Change) => Promise<void>;
  /** Cells of the changes that were refused, to be shown to the person. */
  unsaved: () => string[];
  /** The person has seen to the cells without a place. */
  forgetLost: () => void;
}

/** What was done to a table since a revision; `edits` null where that is not known. */
interface Since {
  edits: TableEdit[] | null;
  revision: number;
  canUndo: boolean;
  canRedo: boolean;
}

/** Starts a store from what the server keeps. */
export function tableStore(kept: Kept): TableStore {
  const $table = atom(kept.table);
  const $saving = atom<Saving>({ state: 'saved' });
  const $steps = atom({ canUndo: kept.canUndo, canRedo: kept.canRedo });
  const $lost = atom<readonly LostCell[]>([]);
  const path = `/api/tables/${kept.table.id}`;
  let revision = kept.revision;
  /** The table at that revision: the one shown, without what is not kept yet. */
  let confirmed = kept.table;
  let pending: { edits: TableEdit[]; given: string }[] = [];
  let sending: Promise<void> | undefined;
  let stepping: Promise<void> | undefined;

  const insist = <T>(run: () => Promise<T>): Promise<T> => insisting(run, (saving) => $saving.set(saving));

  const sendAll = async (): Promise<void> => {
    for (let next = pending[0]; next; next = pending[0]) {
      const { edits, given } = next;
      $saving.set({ state: 'saving' });
      // First the page shows what was typed.
      await stepBackUnlessLeft();
      const answer = await insist(() =>
        send<{ revision: number }>('POST', `${path}/edits`, { revision, edits, given }),
      );
      ({ revision } = answer);
      pending.shift();
      confirmed = pending.length === 0 ? $table.get() : applyEdits(confirmed, edits).table;
    }
    $saving.set({ state: 'saved' });
  };
  const flush = (): Promise<void> => {
    const { state } = $saving.get();
    if (state === 'refused' || state === 'gone') return Promise.resolve();
    // Why it was refused stands in the state; what was typed stays pending.
    sending ??= sendAll()
      .catch(() => undefined)
      .finally(() => (sending = undefined));
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
    pending.push({ edits, given: nanoid(12) });
    void flush();
    return undefined;
  };

  const step = async (which: 'undo' | 'redo'): Promise<void> => {
    await flush();
    if (pending.length > 0) return;
    const given = nanoid(12);
    type Stepped = { revision: number; edits: TableEdit[]; canUndo: boolean; canRedo: boolean };
    const done = await insist(() =>
      send<Stepped | null>('POST', `${path}/step`, { revision, given, step: which }),
    ).catch(() => undefined);
    if (done === null) $steps.set({ ...$steps.get(), [which === 'undo' ? 'canUndo' : 'canRedo']: false });
    if (!done) return;
    const before = $table.get();
    const { table, inverse } = applyEdits(before, done.edits);
    ({ revision } = done);
    confirmed = table;
    $table.set(table);
    $steps.set({ canUndo: done.canUndo, canRedo: done.canRedo });
    const words = changeWords(before, done.edits, inverse);
    $saving.set({ state: 'saved', note: `${which === 'undo' ? 'Taken back' : 'Made again'}: now ${words}` });
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

  const take = ({ table, revision: newest, canUndo, canRedo }: Kept): void => {
    revision = newest;
    confirmed = table;
    $table.set(table);
    $steps.set({ canUndo, canRedo });
  };

  /** The newer table, and what was done to the one known here, where that can be told. */
  const newer = async (): Promise<{ kept: Kept; theirs: TableEdit[] | undefined }> => {
    const from = revision;
    const { edits, ...since } = await send<Since>('GET', `${path}/edits?since=${from}`);
    // A change of one's own was kept meanwhile: it must not be made a second time.
    if (revision !== from) return newer();
    if (edits === null) return { kept: await fetchTable(kept.table.id), theirs: undefined };
    return { kept: { ...since, table: applyEdits(confirmed, edits).table }, theirs: edits };
  };

  return {
    $table,
    $saving,
    $steps,
    $lost,
    edit,
    undo: () => inTurn('undo'),
    redo: () => inTurn('redo'),
    putAgain: async () => {
      const found = await newer();
      const mine = pending;
      const base = confirmed;
      pending = [];
      take(found.kept);
      $saving.set({ state: 'saved' });
      const { edits, lost } = found.theirs
        ? movedEdits(
            mine.flatMap((p) => p.edits),
            base,
            found.theirs,
          )
        : // Without what was done meanwhile nothing has a sure place.
          {
            edits: [],
            lost: movedEdits(
              mine.flatMap((p) => p.edits),
              base,
              everythingGone(base),
            ).lost,
          };
      $lost.set(lost);
      const refused = edit(edits);
      if (refused === undefined) return;
      pending = mine;
      confirmed = base;
      $saving.set({ state: 'refused', reason: refused, newer: true });
    },
    letGo: async () => {
      const { kept: now } = await newer();
      pending = [];
      take(now);
      $saving.set({ state: 'saved' });
    },
    refresh: async (change) => {
      const idle = () => pending.length === 0 && !stepping && isSafe($saving.get());
      if (!idle()) return;
      try {
        const { kept: now } = await newer();
        if (!idle()) return;
        const isNew = now.revision > revision;
        if (isNew) take(now);
        if (isNew || $saving.get().state === 'gone')
          $saving.set({ state: 'saved', ...(isNew ? { note: elsewhere(change) } : {}) });
      } catch (error) {
        const became = savingAfter(error);
        if (became.state === 'gone' && idle()) $saving.set(became);
      }
    },
    unsaved: () =>
      pending.flatMap((p) =>
        p.edits.flatMap((e) => (e.kind === 'write' ? e.texts.flat().filter((t) => t !== '') : [])),
      ),
    forgetLost: () => $lost.set([]),
  };
}

const everythingGone = ({ rowCount }: Table): TableEdit[] =>
  rowCount === 0 ? [] : [{ kind: 'remove-rows', at: 0, count: rowCount }];

/**
 * Keeps a page true to the readings while another window changes them: it takes what is new as soon as it hears of it, or
 * is looked at again; with unsaved changes of its own it waits for the server to say that the two collide.
 */
export const followTable = (store: TableStore): (() => void) =>
  followAddress(`/api/tables/${store.$table.get().id}`, (change) => void store.refresh(change));

/** Keeps the page open while something is not saved. */
export function guardUnsaved(store: TableStore): () => void {
  const warn = (event: BeforeUnloadEvent) => {
    if (!isSafe(store.$saving.get()) || store.unsaved().length > 0 || store.$lost.get().length > 0)
      event.preventDefault();
  };
  window.addEventListener('beforeunload', warn);
  return () => window.removeEventListener('beforeunload', warn);
}
