import { expect } from 'chai';
import { applyEdits } from '../../src/core/readings/edits';
import type { TableEdit } from '../../src/core/readings/table-edit';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { type Kept, type TableStore, tableStore } from '../../src/islands/shared/table-store';

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
  silent = false;
  requests = 0;

  change(edits: TableEdit[]): void {
    const { table: next, inverse } = applyEdits(this.kept.table, edits);
    this.done.push(inverse);
    this.kept = { ...this.kept, table: next, revision: this.kept.revision + 1, canUndo: true };
  }

  fetch = async (path: string, init?: { body?: string }): Promise<Response> => {
    this.requests += 1;
    await Promise.resolve();
    if (this.silent) throw new TypeError('no connection');
    const answer = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status });
    if (path === '/api/tables/t/runs') {
      const { columns } = this.kept.table;
      const head = { ...this.kept.table, columns: columns.map((c) => ({ ...c, cells: [], aside: {} })) };
      const runs = columns.map((c) => ({ column: c.id, from: 0, cells: c.cells, aside: c.aside }));
      const lines = [{ ...this.kept, table: head, runs: runs.length }, ...runs].map((line) => JSON.stringify(line));
      return new Response(lines.join('\n'));
    }
    const { revision, edits } = JSON.parse(init?.body ?? '{}') as { revision: number; edits: TableEdit[] };
    if (revision !== this.kept.revision) return answer({ detail: 'changed in another window' }, 409);
    if (path.endsWith('/edits')) {
      this.change(edits);
      return answer({ revision: this.kept.revision });
    }
    const inverse = this.done.pop();
    if (!inverse) return answer(null);
    this.kept = {
      ...this.kept,
      table: applyEdits(this.kept.table, inverse).table,
      revision: revision + 1,
      canUndo: this.done.length > 0,
    };
    return answer({ revision: revision + 1, edits: inverse, canUndo: this.kept.canUndo, canRedo: true });
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
  let server: Server;
  let store: TableStore;
  beforeEach(() => {
    server = new Server();
    globalThis.fetch = server.fetch as unknown as typeof fetch;
    store = tableStore(server.kept);
  });
  after(() => (globalThis.fetch = realFetch));

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
    expect(cells(server.kept.table)).to.deep.equal(['theirs', 'mine', '2', '', 'more']);
    expect(cells(store.$table.get())).to.deep.equal(cells(server.kept.table));
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
