import { expect } from 'chai';
import { applyEdits } from '../../src/core/readings/edits';
import type { TableEdit } from '../../src/core/readings/table-edit';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import type { Kept } from '../../src/islands/shared/fetch-table';
import { type TableStore, tableStore } from '../../src/islands/shared/table-store';

const table: Table = {
  ...tableOf([]),
  id: 't',
  name: '',
  measure: '',
  subject: '',
  rowCount: 2,
  columns: [{ ...emptyColumn('a', 'Red'), cells: ['1', '2'] }],
};
const write = (row: number, text: string): TableEdit[] => [{ kind: 'write', row, columns: ['a'], texts: [[text]] }];

/** A server of one table, over `fetch`: keeps revisions as the real one does, and can fall silent. */
class Server {
  kept: Kept = { table, revision: 0, canUndo: false, canRedo: false };
  done: TableEdit[][] = [];
  made: TableEdit[][] = [];
  given = new Map<string, unknown>();
  silent = false;
  /** Writes, and loses its reply. */
  deaf = false;
  refuses: { status: number; detail: string } | undefined;
  requests = 0;

  change(edits: TableEdit[]): void {
    const { table: next, inverse } = applyEdits(this.kept.table, edits);
    this.done.push(inverse);
    this.made.push(edits);
    this.kept = { ...this.kept, table: next, revision: this.kept.revision + 1, canUndo: true };
  }

  fetch = async (path: string, init?: { body?: string }): Promise<Response> => {
    this.requests += 1;
    await Promise.resolve();
    if (this.silent) throw new TypeError('no connection');
    const answer = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status });
    if (this.refuses) return answer({ detail: this.refuses.detail }, this.refuses.status);
    const since = /^\/api\/tables\/t\/edits\?since=(\d+)$/.exec(path);
    if (since) {
      const { revision, canUndo, canRedo } = this.kept;
      return answer({ edits: this.made.slice(Number(since[1])).flat(), revision, canUndo, canRedo });
    }
    if (path === '/api/tables/t/runs') {
      const { columns } = this.kept.table;
      const head = { ...this.kept.table, columns: columns.map((c) => ({ ...c, cells: [], aside: {} })) };
      const runs = columns.map((c) => ({ column: c.id, from: 0, cells: c.cells, aside: c.aside }));
      const lines = [{ ...this.kept, table: head, runs: runs.length }, ...runs].map((line) => JSON.stringify(line));
      return new Response(lines.join('\n'));
    }
    type Sent = { revision: number; edits: TableEdit[]; given: string };
    const { revision, edits, given } = JSON.parse(init?.body ?? '{}') as Sent;
    const reply = (value: unknown): Response => {
      this.given.set(given, value);
      if (!this.deaf) return answer(value);
      this.deaf = false;
      throw new TypeError('the reply was lost');
    };
    if (this.given.has(given)) return answer(this.given.get(given));
    if (revision !== this.kept.revision) return answer({ detail: 'changed in another window' }, 409);
    if (path.endsWith('/edits')) {
      this.change(edits);
      return reply({ revision: this.kept.revision });
    }
    const inverse = this.done.pop();
    if (!inverse) return answer(null);
    this.made.push(inverse);
    this.kept = {
      ...this.kept,
      table: applyEdits(this.kept.table, inverse).table,
      revision: revision + 1,
      canUndo: this.done.length > 0,
    };
    return reply({ revision: revision + 1, edits: inverse, canUndo: this.kept.canUndo, canRedo: true });
  };
}

const settled = async (store: TableStore, state: string): Promise<void> => {
  for (let tries = 0; tries < 500 && store.$saving.get().state !== state; tries++)
    await new Promise((r) => setTimeout(r, 10));
  expect(store.$saving.get().state).to.equal(state);
};
const cells = (t: Table): readonly string[] => t.columns[0]?.cells ?? [];

describe('the table in the page', () => {
  const realFetch = globalThis.fetch;
  const realWindow = Object.getOwnPropertyDescriptor(globalThis, 'window');
  let page: EventTarget;
  let server: Server;
  let store: TableStore;
  beforeEach(() => {
    server = new Server();
    page = new EventTarget();
    Object.defineProperty(globalThis, 'window', { value: page, configurable: true });
    globalThis.fetch = server.fetch as unknown as typeof fetch;
    store = tableStore(server.kept);
  });
  after(() => {
    globalThis.fetch = realFetch;
    if (realWindow) Object.defineProperty(globalThis, 'window', realWindow);
    else Reflect.deleteProperty(globalThis, 'window');
  });

  it('shows an edit at once, sends edits one after the other, and says when all are kept', async () => {
    store.edit(write(0, '10'));
    store.edit(write(1, '20'));
    store.edit(write(2, '30'));
    expect(cells(store.$table.get())).to.deep.equal(['10', '20', '30']);
    expect(store.$saving.get().state).to.equal('saving');
    await settled(store, 'saved');
    expect(cells(server.kept.table)).to.deep.equal(['10', '20', '30']);
    expect(server.kept.revision).to.equal(3);
  });

  it('sends what was typed last before the page is gone, without waiting for its turn', async () => {
    for (const leaving of ['beforeunload', 'pagehide']) {
      const asked = server.requests;
      store.edit(write(0, leaving));
      expect(server.requests).to.equal(asked);
      page.dispatchEvent(new Event(leaving));
      // A page that is left has no other task, only what follows from this one.
      for (let i = 0; i < 5; i++) await Promise.resolve();
      expect(server.requests).to.equal(asked + 1);
      await settled(store, 'saved');
      expect(cells(server.kept.table)[0]).to.equal(leaving);
    }
  });

  it('says at once why an edit does not fit, and sends nothing', () => {
    expect(store.edit([{ kind: 'remove-column', column: 'none' }])).to.include('no longer in the table');
    expect(server.requests).to.equal(0);
  });

  it('keeps an edit while nobody answers, and sends it later', async () => {
    server.silent = true;
    store.edit(write(0, '10'));
    await settled(store, 'waiting');
    expect(cells(store.$table.get())[0]).to.equal('10');
    server.silent = false;
    await settled(store, 'saved');
    expect(cells(server.kept.table)[0]).to.equal('10');
  });

  it('keeps what was typed when another window was faster, and puts it in again on the newer table', async () => {
    server.change([{ kind: 'insert-rows', at: 0, count: 1 }, ...write(0, 'theirs')]);
    store.edit(write(1, 'mine'));
    await settled(store, 'refused');
    expect(store.unsaved()).to.deep.equal(['mine']);
    // Typing on does not lose anything either.
    store.edit(write(4, 'more'));
    await store.putAgain();
    await settled(store, 'saved');
    // Each by what its row is: the second row is the third by now, and what lay beyond the end lies as far beyond it.
    expect(cells(server.kept.table)).to.deep.equal(['theirs', '1', 'mine', '', '', 'more']);
    expect(cells(store.$table.get())).to.deep.equal(cells(server.kept.table));
  });

  it('shows what has no place any more, and keeps it until it was seen to', async () => {
    server.change([{ kind: 'remove-rows', at: 1, count: 1 }]);
    store.edit([...write(0, 'mine'), ...write(1, 'of a row that is gone')]);
    await settled(store, 'refused');
    await store.putAgain();
    await settled(store, 'saved');
    expect(cells(server.kept.table)).to.deep.equal(['mine']);
    expect(store.$lost.get()).to.deep.equal([{ column: 'Red', row: 2, text: 'of a row that is gone' }]);
    store.forgetLost();
    expect(store.$lost.get()).to.deep.equal([]);
  });

  it('takes a save whose reply was lost for done, and an undo too', async () => {
    server.deaf = true;
    store.edit(write(0, '10'));
    await settled(store, 'waiting');
    await settled(store, 'saved');
    expect(server.kept.revision).to.equal(1);
    server.deaf = true;
    await store.undo();
    expect(server.kept.revision).to.equal(2);
    expect(cells(store.$table.get())[0]).to.equal('1');
    const saving = store.$saving.get();
    expect(saving.state === 'saved' && saving.note).to.match(/^Taken back: now Red, row 1: 1, was 10/);
  }).timeout(10_000);

  it('keeps typing while the disk is full, and says when the readings were removed', async () => {
    server.refuses = { status: 507, detail: 'The disk is full.' };
    store.edit(write(0, '10'));
    await settled(store, 'waiting');
    expect(store.$saving.get()).to.deep.equal({ state: 'waiting', reason: 'The disk is full.' });
    server.refuses = undefined;
    await settled(store, 'saved');
    server.refuses = { status: 410, detail: 'These readings were removed.' };
    await store.refresh();
    expect(store.$saving.get()).to.deep.equal({ state: 'gone', reason: 'These readings were removed.' });
    server.refuses = undefined;
    await store.refresh();
    expect(store.$saving.get().state).to.equal('saved');
    server.refuses = { status: 410, detail: 'These readings were removed.' };
    store.edit(write(1, 'typed all the same'));
    await settled(store, 'gone');
    expect(store.unsaved()).to.deep.equal(['typed all the same']);
  }).timeout(10_000);

  it('makes no change of its own twice when it is kept while newer readings are on their way', async () => {
    const answers = globalThis.fetch;
    let late: (() => void) | undefined;
    // What is new is asked for before the edit is sent, and told after it was kept, together with one of theirs.
    globalThis.fetch = async (path, init) => {
      if (!late && (path as string).includes('since='))
        await new Promise<void>((resolve) => {
          late = resolve;
        });
      return answers(path, init);
    };
    const refreshed = store.refresh();
    store.edit([{ kind: 'insert-rows', at: 0, count: 1 }]);
    await settled(store, 'saved');
    server.change(write(0, 'theirs'));
    late?.();
    await refreshed;
    expect(cells(store.$table.get())).to.deep.equal(['theirs', '1', '2']);
    expect(cells(server.kept.table)).to.deep.equal(['theirs', '1', '2']);
  });

  it('lets unsaved edits go when asked to', async () => {
    server.change(write(0, 'theirs'));
    store.edit(write(0, 'mine'));
    await settled(store, 'refused');
    await store.letGo();
    expect(cells(store.$table.get())[0]).to.equal('theirs');
    expect(store.unsaved()).to.deep.equal([]);
  });

  it('undoes in turn, however quickly asked, and puts later typing after it', async () => {
    store.edit(write(0, '10'));
    store.edit(write(0, '11'));
    const undone = Promise.all([store.undo(), store.undo()]);
    store.edit(write(1, 'after'));
    await undone;
    await new Promise((r) => setTimeout(r, 0));
    await settled(store, 'saved');
    expect(cells(server.kept.table)).to.deep.equal(['1', 'after']);
    expect(cells(store.$table.get())).to.deep.equal(['1', 'after']);
  });

  it('follows the server when idle, and not over unsaved edits', async () => {
    server.change(write(0, 'theirs'));
    await store.refresh();
    expect(cells(store.$table.get())[0]).to.equal('theirs');
    server.silent = true;
    store.edit(write(1, 'mine'));
    await settled(store, 'waiting');
    server.silent = false;
    server.change(write(0, 'newer'));
    await store.refresh();
    expect(cells(store.$table.get())).to.deep.equal(['theirs', 'mine']);
    await settled(store, 'refused');
  });
});
