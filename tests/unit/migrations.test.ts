import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { logLines } from '../../src/server/study-log';
import { openDb } from '../../src/store/open';
import { questionsOf } from '../../src/store/questions';
import { restoreStudyTo } from '../../src/store/restore';
import { readTable } from '../../src/store/read-table';

/** A project folder that knows only the first migrations. */
function olderRoot(folder: string, count: number): string {
  const kept = join(folder, 'src/store/migrations');
  cpSync('src/store/migrations', kept, { recursive: true });
  const journal = join(kept, 'meta/_journal.json');
  const all = JSON.parse(readFileSync(journal, 'utf8')) as { entries: unknown[] };
  writeFileSync(journal, JSON.stringify({ ...all, entries: all.entries.slice(0, count) }));
  return folder;
}

describe('a database kept by an older version', () => {
  const folder = mkdtempSync(join(tmpdir(), 'divide-'));
  after(() => rmSync(folder, { recursive: true }));

  it('is brought up to date: its questions say what they are about, its log is in order and can be gone back in', () => {
    const file = join(folder, 'old.sqlite');
    const old = openDb(file, olderRoot(folder, 4)).$client;
    const at = (minute: number): string => `2026-01-02T03:${String(minute).padStart(2, '0')}:00.000Z`;
    const put = (table: string, row: Record<string, unknown>): void => {
      const keys = Object.keys(row);
      old
        .prepare(`INSERT INTO ${table} (${keys.join(', ')}) VALUES (${keys.map(() => '?').join(', ')})`)
        .run(Object.values(row).map((v) => (typeof v === 'object' && v !== null ? JSON.stringify(v) : v)));
    };
    put('studies', { id: 's', title: 'Old', createdAt: at(0), changedAt: at(9) });
    put('tables', {
      id: 't',
      studyId: 's',
      position: 0,
      name: 'Lines',
      measure: '',
      subject: '',
      rowCount: 2,
      revision: 2,
      createdAt: at(1),
    });
    put('columns', { id: 'c', tableId: 't', position: 0, name: 'coir', unit: '', role: 'measure', decimal: 'auto' });
    put('cell_runs', { tableId: 't', columnId: 'c', run: 0, cells: ['3', '9'], aside: {} });
    const write = (text: string) => [{ kind: 'write', row: 0, columns: ['c'], texts: [[text]] }];
    put('changes', { tableId: 't', at: at(2), by: 'Runa', edits: write('2'), inverse: write('1'), undone: 0 });
    put('changes', { tableId: 't', at: at(5), by: 'Runa', edits: write('3'), inverse: write('2'), undone: 0 });
    put('changes', { tableId: 't', at: at(6), by: 'Runa', edits: write('4'), inverse: write('3'), undone: 1 });
    const question = { design: 'one-sample', a: 'c', direction: 'either', level: 0.95 };
    put('questions', { id: 'q', studyId: 's', tableId: 't', position: 0, question, revision: 1 });
    put('events', {
      studyId: 's',
      at: at(4),
      by: 'Runa',
      kind: 'question',
      subject: 'q',
      before: { table: 't', question: { ...question, level: 0.9 } },
      after: { table: 't', question },
    });
    old.close();

    const db = openDb(file, process.cwd());
    // What nobody had said was assumed then: the answers stay what they were.
    expect(questionsOf(db, 's')[0]?.question).to.include({ about: 'value', value: 0 });
    const told = () => logLines(db, 's').map((l) => `${l.line}${l.undone ? '~' : ''} ${l.words}`);
    expect(told()).to.deep.equal([
      '5~ coir, row 1: 4, was 3',
      '4 coir, row 1: 3, was 2',
      '3 confidence level now 95 %, was 90 %',
      '2 coir, row 1: 2, was 1',
      '1 begun',
    ]);
    // What had been taken back before steps were lines left no trace in the readings, and is not taken back again.
    restoreStudyTo(db, 's', 2, { at: at(20) });
    expect(readTable(db, 't').table.columns[0]?.cells).to.deep.equal(['2', '9']);
    expect(questionsOf(db, 's')[0]?.question.level).to.equal(0.9);
    expect(told()[0]).to.equal('8 gone back to just after line 2 (Lines: coir, row 1: 2, was 1)');
    db.$client.close();
  });
});
