import {
  cpSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { expect } from 'chai';
import { NotServed, checked, held } from '../../src/server/door/database-file';
import { openDb } from '../../src/store/open';
import { createStudy } from '../../src/store/studies';
import { demoStudy } from '../../demo/skerrow';

describe('a database file before it is served', () => {
  let folder: string;
  let file: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'divide-'));
    file = join(folder, 'own', 'divide.sqlite');
  });
  afterEach(() => rmSync(folder, { recursive: true }));
  const refusal = (run: () => unknown): string => {
    try {
      run();
    } catch (error) {
      expect(error).to.be.instanceOf(NotServed);
      return (error as Error).message;
    }
    return 'served';
  };

  it('is made where there is none, and closed to others', () => {
    expect(checked(file, process.cwd())).to.equal(undefined);
    expect(statSync(join(folder, 'own')).mode & 0o777).to.equal(0o700);
    expect(statSync(file).mode & 0o777).to.equal(0o600);
  });

  it('is held for one server, until it lets go', () => {
    checked(file, process.cwd());
    const release = held(file);
    expect(refusal(() => held(file))).to.match(/^another Divide serves .*divide\.sqlite already/);
    release();
    held(file)();
  });

  it('is refused where it is damaged or no database, and left as it is', () => {
    checked(file, process.cwd());
    const db = openDb(file, process.cwd());
    createStudy(db, demoStudy(), '2026-01-02T03:04:05.000Z');
    db.$client.pragma('wal_checkpoint(TRUNCATE)');
    db.$client.close();
    const good = readFileSync(file);
    truncateSync(file, Math.floor(good.length / 2 / 4096) * 4096 + 100);
    const cut = readFileSync(file);
    expect(refusal(() => checked(file, process.cwd()))).to.match(
      /is not a whole database \(.*\)\. It was left as it is\./,
    );
    expect(readFileSync(file).equals(cut)).to.equal(true);
    writeFileSync(file, 'lamp;length\n1;2\n'.repeat(500));
    expect(refusal(() => checked(file, process.cwd()))).to.include('is not a whole database');
    writeFileSync(file, good);
    expect(refusal(() => checked(file, process.cwd()))).to.equal('served');
  });

  it('is refused where a newer version kept it, and not copied where nothing is to be changed', () => {
    checked(file, process.cwd());
    const change = (sql: string): void => {
      const client = new Database(file);
      client.exec(sql);
      client.close();
    };
    change("INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('later', 9999999999999)");
    expect(refusal(() => checked(file, process.cwd()))).to.include('was kept by a newer Divide');
    change('DELETE FROM __drizzle_migrations WHERE created_at = 9999999999999');
    expect(checked(file, process.cwd())).to.equal(undefined);
    expect(readdirSync(join(folder, 'own')).filter((name) => name.includes('before'))).to.deep.equal([]);
  });

  it('is copied as it was before a migration, with all that is in it', () => {
    const schema = join(folder, 'older');
    // A project from before the log counted lines.
    const from = join(process.cwd(), 'src/store/migrations');
    const to = join(schema, 'src/store/migrations');
    cpSync(from, to, { recursive: true });
    const journal = join(to, 'meta/_journal.json');
    const all = JSON.parse(readFileSync(journal, 'utf8')) as { entries: { tag: string }[] };
    writeFileSync(journal, JSON.stringify({ ...all, entries: all.entries.filter(({ tag }) => tag < '0005') }));
    checked(file, schema);
    new Database(file)
      .exec("INSERT INTO studies (id, title, createdAt, changedAt) VALUES ('s', 'Kept', '', '')")
      .close();
    const told = checked(file, process.cwd()) ?? '';
    const copy = /stands in (.*)\.$/.exec(told)?.[1] ?? '';
    expect(existsSync(copy)).to.equal(true);
    expect(statSync(copy).mode & 0o777).to.equal(0o600);
    const before = new Database(copy);
    expect(before.prepare('SELECT title FROM studies').pluck().all()).to.deep.equal(['Kept']);
    expect((before.pragma('table_info(studies)') as { name: string }[]).map((c) => c.name)).to.not.include('lines');
    before.close();
    expect(checked(file, process.cwd())).to.equal(undefined);
  });
});
