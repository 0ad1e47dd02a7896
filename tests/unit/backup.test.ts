import { closeDocument, openDocument } from './dom';
import Database from 'better-sqlite3';
import { unzipSync } from 'fflate';
import { expect } from 'chai';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { createElement } from 'react';
import { demoStudy } from '../../demo/skerrow';
import { DomainError } from '../../src/core/numeric/domain-error';
import { DeletedStudies } from '../../src/islands/shelf/DeletedStudies';
import { readBundle } from '../../src/formats/study-bundle';
import { allBundles } from '../../src/server/bundle';
import { backupOf, bringBack } from '../../src/server/backup';
import { logLines } from '../../src/server/study-log';
import { lastLine } from '../../src/store/events';
import { NotFound } from '../../src/store/errors';
import { type Db, openDb } from '../../src/store/open';
import { restoreStudyTo } from '../../src/store/restore';
import {
  allStudies,
  createStudy,
  deleteForGood,
  deleteStudy,
  deletedStudies,
  readContent,
  restoreStudy,
  tableIdsOf,
} from '../../src/store/studies';
import { editTable } from '../../src/store/change-table';
import { readTable } from '../../src/store/read-table';

// Others are to see no document.
closeDocument();

const at = '2026-01-02T03:04:05.000Z';

describe('all studies in open formats', () => {
  it('stand in one archive, each a bundle that opens, also where two have one title', async () => {
    const db = openDb(':memory:', process.cwd());
    const names = ['Lamps: 1/2', 'Lamps: 1/2'];
    for (const title of names)
      createStudy(db, { title, tables: [], questions: [], figures: [] }, '2026-01-02T03:04:05.000Z');
    const files = unzipSync(await allBundles(db));
    expect(Object.keys(files).sort()).to.deep.equal(['01 Lamps 1 2.zip', '02 Lamps 1 2.zip']);
    for (const bundle of Object.values(files)) expect((await readBundle(bundle)).content.title).to.equal('Lamps: 1/2');
    db.$client.close();
  });
});

describe('a backup of everything', () => {
  const open = (): Db => openDb(':memory:', process.cwd());
  let db: Db;
  beforeEach(() => (db = open()));
  afterEach(() => db.$client.close());

  it('brings every study back beside those that are there, its log with it', async () => {
    const id = createStudy(db, demoStudy(), at);
    createStudy(db, { title: 'Rope trial', tables: [], questions: [], figures: [] }, at);
    const [table = ''] = tableIdsOf(db, id);
    const before = lastLine(db, id);
    editTable(db, table, 0, [{ kind: 'write', row: 0, columns: ['red'], texts: [['1']] }], at, 'Runa');
    const file = await backupOf(db);
    const other = open();
    expect((await bringBack(other, file, at, process.cwd())).sort()).to.deep.equal([
      'Rope trial',
      'Skerrow Kelp Nursery',
    ]);
    const copy = allStudies(other).find((s) => s.title === 'Skerrow Kelp Nursery')?.id ?? '';
    const plain = (from: Db, study: string) =>
      readContent(from, study).tables.map(({ table: t, origin, changes }) => ({ t, origin, changes }));
    expect(plain(other, copy)).to.deep.equal(plain(db, id));
    restoreStudyTo(other, copy, before, { at });
    const [first = ''] = tableIdsOf(other, copy);
    expect(readTable(other, first).table.columns).to.deep.equal(demoStudy().tables[0]?.table.columns);
    // Again, it writes over nothing.
    expect(await bringBack(other, file, at, process.cwd())).to.include('Skerrow Kelp Nursery (from a backup)');
    expect(allStudies(other).length).to.equal(4);
    other.$client.close();
  });

  it('is refused where it is cut short, changed or no backup, and nothing is kept', async () => {
    createStudy(db, demoStudy(), at);
    const file = await backupOf(db);
    const bad = [
      new Uint8Array(),
      Buffer.from('lamp;length\n1;2\n'),
      file.slice(0, file.length / 2),
      Buffer.concat([file.slice(0, 8192), Buffer.alloc(4096, 7), file.slice(12_288)]),
      new Database(':memory:').exec('CREATE TABLE lamps (length)').serialize(),
    ];
    for (const [i, bytes] of bad.entries()) {
      const said = await bringBack(db, bytes, at, process.cwd()).catch((error: unknown) => error);
      expect(said, String(i)).to.be.instanceOf(DomainError);
      expect((said as Error).message).to.match(
        /^This is no whole backup of studies \(.*\)\. Nothing was brought back\.$/,
      );
    }
    expect(allStudies(db).length).to.equal(1);
  });
});

describe('studies taken off the shelf', () => {
  let db: Db;
  beforeEach(() => (db = openDb(':memory:', process.cwd())));
  afterEach(() => db.$client.close());
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  it('are listed, come back with their line in the log, and go for good only from there', () => {
    const id = createStudy(db, demoStudy(), at);
    expect(() => deleteForGood(db, id)).to.throw(NotFound, /among the deleted/);
    deleteStudy(db, id, { at, by: 'Runa' });
    expect(deletedStudies(db)).to.deep.equal([{ id, title: 'Skerrow Kelp Nursery', at }]);
    expect(() => deleteStudy(db, id, { at })).to.throw(NotFound);
    restoreStudy(db, id, { at, by: 'Bo' });
    expect(
      logLines(db, id)
        .slice(0, 2)
        .map((l) => `${l.by}: ${l.words}`),
    ).to.deep.equal(['Bo: study brought back', 'Runa: study deleted']);
    deleteStudy(db, id, { at });
    deleteForGood(db, id);
    expect(deletedStudies(db)).to.deep.equal([]);
    expect(() => restoreStudy(db, id, { at })).to.throw(NotFound, /deleted for good/);
    const left = db.$client
      .prepare('SELECT (SELECT count(*) FROM cell_runs) + (SELECT count(*) FROM events)')
      .pluck()
      .get();
    expect(left).to.equal(0);
  });

  it('are deleted for good only once one has said so twice', () => {
    const done: string[] = [];
    const studies = ['Old lines', 'Older lines'].map((title, i) => ({ id: `s${i}`, title, at }));
    const page = render(
      createElement(DeletedStudies, {
        studies,
        onBringBack: ({ id }) => done.push(`back ${id}`),
        onDelete: ({ id }) => done.push(`gone ${id}`),
      }),
    );
    expect(page.container.textContent).to.include('Deleted studies (2)');
    fireEvent.click(page.getByRole('button', { name: 'Bring back Old lines' }));
    fireEvent.click(page.getByRole('button', { name: 'Delete Older lines for good' }));
    expect(done).to.deep.equal(['back s0']);
    fireEvent.click(page.getByRole('button', { name: 'Keep it' }));
    expect(page.queryByRole('alert')).to.equal(null);
    fireEvent.click(page.getByRole('button', { name: 'Delete Older lines for good' }));
    expect(page.getByRole('alert').textContent).to.match(/go for good/);
    fireEvent.click(page.getByRole('button', { name: 'Delete for good' }));
    expect(done).to.deep.equal(['back s0', 'gone s1']);
  });
});
