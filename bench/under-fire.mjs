/**
 * Save under fire: `npm run bench:fire [times]`. Edits are sent without pause while the server is killed with -9 over and
 * over; after each fall it is started again and every edit it acknowledged must be in the table, none of it half written.
 * Prints the figures that docs/reliability.md holds, and ends with 1 when anything acknowledged is missing.
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureBuild, root, stop } from '../scripts/prepare.mjs';
import { answers } from '../scripts/throwaway.mjs';

const times = Number(process.argv[2] ?? 200);
const port = 4397;
const base = `http://127.0.0.1:${port}`;
const folder = mkdtempSync(join(tmpdir(), 'divide-fire-'));
const db = join(folder, 'under-fire.sqlite');
ensureBuild();

const headers = { 'content-type': 'application/json', origin: base };
const post = (path, body) => fetch(base + path, { method: 'POST', headers, body: JSON.stringify(body) });
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Starts the server's own entry, without the checks before it, so that it falls and rises quickly. */
async function rise() {
  const start = `import(${JSON.stringify(pathToFileURL(join(root, 'scripts/server.mjs')).href)}).then(({ serve }) => serve(${JSON.stringify({ host: '127.0.0.1', port, file: db })}))`;
  const server = spawn(process.execPath, ['--input-type=module', '-e', start], { cwd: root, stdio: 'ignore' });
  for (let tries = 0; tries < 600; tries++) {
    if (await answers(base)) return server;
    await wait(20);
  }
  throw new Error('the server does not rise');
}

if (await answers(base)) stop(`something answers at port ${port} already.`);

/** What was acknowledged: the value each cell must have. */
const acknowledged = new Map();
/** What was on its way when the server fell: it may be there whole, or not at all. */
let flying = [];
let acks = 0;
let missing = 0;
let half = 0;
let uncertain = 0;

let server = await rise();
const { id: study } = await (await post('/api/studies', { title: 'Under fire' })).json();
const { id: table } = await (
  await post(`/api/studies/${study}/tables`, {
    origin: 'bench',
    table: {
      name: 'Under fire',
      measure: '',
      subject: '',
      shape: 'columns',
      average: false,
      spread: 'sd',
      level: 0.95,
      rowCount: 3000,
      columns: ['a', 'b'].map((id) => ({
        id,
        name: id,
        unit: '',
        role: 'measure',
        decimal: 'auto',
        cells: Array.from({ length: 3000 }, () => '0'),
        aside: {},
      })),
    },
  })
).json();
let next = 1;
const began = performance.now();
for (let fall = 0; fall < times; fall++) {
  let { revision } = await (await fetch(`${base}/api/tables/${table}`)).json();
  const doomed = server;
  // The moment of the fall moves over the whole of an edit's way to the disk.
  setTimeout(() => doomed.kill('SIGKILL'), 5 + ((fall * 37) % 600));
  for (;;) {
    // Each edit writes the same number into both columns of a row: one without the other would be half an edit.
    const row = (next * 7919) % 3000;
    const value = String(next++);
    flying = [{ row, value }];
    try {
      const response = await post(`/api/tables/${table}/edits`, {
        revision,
        edits: [{ kind: 'write', row, columns: ['a', 'b'], texts: [[value, value]] }],
      });
      if (!response.ok) throw new Error(await response.text());
      ({ revision } = await response.json());
      acknowledged.set(row, value);
      acks += 1;
      flying = [];
    } catch {
      break;
    }
  }
  await new Promise((resolve) =>
    doomed.exitCode !== null || doomed.signalCode !== null ? resolve() : doomed.once('exit', resolve),
  );
  server = await rise();
  const { table: kept } = await (await fetch(`${base}/api/tables/${table}`)).json();
  const [a, b] = kept.columns.map((c) => c.cells);
  for (let row = 0; row < 3000; row++) if (a[row] !== b[row]) half += 1;
  for (const { row, value } of flying)
    if (a[row] === value) {
      uncertain += 1;
      acknowledged.set(row, value);
    }
  for (const [row, value] of acknowledged) if (a[row] !== value) missing += 1;
  if ((fall + 1) % 20 === 0) console.log(`${fall + 1} falls, ${acks} edits acknowledged`);
}
server.kill('SIGKILL');
rmSync(folder, { recursive: true, force: true });
const seconds = ((performance.now() - began) / 1000).toFixed(0);
console.log(`killed with -9:               ${times} times in ${seconds} s`);
console.log(`edits acknowledged:           ${acks}`);
console.log(`acknowledged and missing:     ${missing}`);
console.log(`half written:                 ${half}`);
console.log(`written, not yet acknowledged: ${uncertain}`);
process.exit(missing + half > 0 ? 1 : 0);
