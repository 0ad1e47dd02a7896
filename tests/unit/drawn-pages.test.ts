import { expect } from 'chai';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { drawnOnce } from '../../src/server/drawn-pages';
import { openDb } from '../../src/store/open';
import { questionsOf, removeQuestion, updateQuestion } from '../../src/store/questions';
import { createStudy, renameStudy } from '../../src/store/studies';
import { editTable, stepTable } from '../../src/store/change-table';
import { deleteTable } from '../../src/store/tables';
import { demoStudy } from '../../demo/skerrow';

const at = '2026-01-02T03:04:05.000Z';
const empty = { title: 'Kelp', tables: [], questions: [], figures: [] };

describe('pages drawn once', () => {
  const folder = mkdtempSync(join(tmpdir(), 'divide-'));
  const file = join(folder, 'divide.sqlite');
  const db = openDb(file, process.cwd());
  after(() => {
    db.$client.close();
    rmSync(folder, { recursive: true });
  });
  let drawn = 0;
  const page = (path: string, status = 200, type = 'text/html; charset=utf-8') =>
    drawnOnce(db, path, '', () => {
      drawn += 1;
      return Promise.resolve(
        new Response(`page ${drawn}`, { status, headers: { 'content-type': type, 'x-own': 'yes' } }),
      );
    });
  const text = async (key: string): Promise<string> => (await page(key)).text();

  it('are given again with their headers until something is written, by this connection or another', async () => {
    const study = createStudy(db, empty, at);
    const first = await text('/a');
    expect(await text('/a')).to.equal(first);
    expect((await page('/a')).headers.get('x-own')).to.equal('yes');
    expect(await text('/b')).not.to.equal(first);
    renameStudy(db, study, 'Kelp again', { at });
    const second = await text('/a');
    expect(second).not.to.equal(first);
    expect(await text('/a')).to.equal(second);
    // A thread of the pool writes through a connection of its own.
    const other = openDb(file, process.cwd());
    renameStudy(other, study, 'Kelp once more', { at });
    other.$client.close();
    expect(await text('/a')).not.to.equal(second);
  });

  it('of a study outlast what is written in another, and nothing of their own', async () => {
    const [mine, others] = [createStudy(db, demoStudy(), at), createStudy(db, empty, at)];
    const path = `/studies/${mine}/log`;
    let last = await text(path);
    renameStudy(db, others, 'Another', { at });
    expect(await text(path)).to.equal(last);
    const [question] = questionsOf(db, mine);
    const { id, tableId } = question!;
    const write = { kind: 'write' as const, row: 0, columns: ['red'], texts: [['1']] };
    // Each within the same millisecond as the one before.
    const writes: (() => unknown)[] = [
      () => editTable(db, tableId, 0, [write], at),
      () => editTable(db, tableId, 1, [{ ...write, texts: [['2']] }], at),
      () => stepTable(db, tableId, 2, 'undo', at),
      () => updateQuestion(db, id, question!.revision, { ...question!.question, level: 0.9 }, { at }),
      () => updateQuestion(db, id, question!.revision + 1, { ...question!.question, level: 0.8 }, { at }),
      () => removeQuestion(db, id, { at }),
      () => renameStudy(db, mine, 'Mine', { at }),
      () => renameStudy(db, mine, 'Mine again', { at }),
      () => deleteTable(db, tableId, { at }),
    ];
    for (const [i, run] of writes.entries()) {
      run();
      const now = await text(path);
      expect(now, `write ${i}`).not.to.equal(last);
      last = now;
    }
  });

  it('are never what was drawn while something was written', async () => {
    const study = createStudy(db, empty, at);
    const during = await drawnOnce(db, '/c', '', () => {
      renameStudy(db, study, 'Changed meanwhile', { at });
      return Promise.resolve(new Response('half', { headers: { 'content-type': 'text/html' } }));
    });
    expect(await during.text()).to.equal('half');
    expect(await text('/c')).to.match(/^page/);
  });

  it('are pages alone: what is missing, and files, are asked for each time', async () => {
    for (const [status, type] of [
      [404, 'text/html'],
      [200, 'application/zip'],
    ] as [number, string][]) {
      const before = drawn;
      await page('/d', status, type);
      await page('/d', status, type);
      expect(drawn - before).to.equal(2);
    }
  });
});
