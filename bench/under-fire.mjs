/**
 * Save under fire: `npm run bench:fire [times]`. Readings, a question, figures, the write-up, the title, removals, returns
 * and steps back through the log are sent without pause while the server is killed with -9 over and over. After each fall
 * it is started again; everything it acknowledged must be there, nothing half written, and all of it in the log.
 * Prints the figures that docs/reliability.md holds, and ends with 1 when anything is missing.
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { isDeepStrictEqual } from 'node:util';
import Database from 'better-sqlite3';
import { ensureBuild, root, stop } from '../scripts/prepare.mjs';
import { answers } from '../scripts/throwaway.mjs';

const times = Number(process.argv[2] ?? 200);
const port = 4397;
const base = `http://127.0.0.1:${port}`;
const folder = mkdtempSync(join(tmpdir(), 'divide-fire-'));
const file = join(folder, 'under-fire.sqlite');
const rows = 40;
ensureBuild();

const headers = { 'content-type': 'application/json', origin: base };
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Sends and takes JSON. @throws where it was not acknowledged */
async function call(method, path, body) {
  const response = await fetch(base + path, { method, headers, ...(body ? { body: JSON.stringify(body) } : {}) });
  if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`);
  return response.json();
}

/** Starts the server's own entry, without the checks before it, so that it falls and rises quickly. */
async function rise() {
  const start = `import(${JSON.stringify(pathToFileURL(join(root, 'scripts/server.mjs')).href)}).then(({ serve }) => serve(${JSON.stringify({ host: '127.0.0.1', port, file })}))`;
  const server = spawn(process.execPath, ['--input-type=module', '-e', start], { cwd: root, stdio: 'ignore' });
  for (let tries = 0; tries < 600; tries++) {
    if (await answers(base)) return server;
    await wait(20);
  }
  throw new Error('the server does not rise');
}

if (await answers(base)) stop(`something answers at port ${port} already.`);
let server = await rise();

const { id: study } = await call('POST', '/api/studies', { title: 'Under fire' });
const column = (id) => ({
  id,
  name: id,
  unit: '',
  role: 'measure',
  decimal: 'auto',
  cells: Array.from({ length: rows }, (_, i) => String(i % 7)),
  aside: {},
});
const table = (name) => ({
  origin: 'bench',
  table: {
    name,
    measure: '',
    subject: '',
    shape: 'columns',
    average: false,
    spread: 'sd',
    level: 0.95,
    rowCount: rows,
    columns: ['a', 'b'].map(column),
  },
});
const { id: shown } = await call('POST', `/api/studies/${study}/tables`, table('Readings'));
const { id: other } = await call('POST', `/api/studies/${study}/tables`, table('Now and then'));
const asked = { design: 'two-groups', about: 'value', a: 'a', b: 'b', direction: 'either', level: 0.95 };
const { id: question } = await call('POST', '/api/questions', { table: shown, question: asked });

/** How each figure is drawn. */
const style = { marks: 'points', bars: 'sd', readings: false, widthMm: 85, heightMm: 70, fontPt: 8 };

const reader = new Database(file, { readonly: true });
const one = (sql, ...given) => reader.prepare(sql).get(...given);
const all = (sql, ...given) => reader.prepare(sql).all(...given);

/** The study as it is kept: what a person could miss. */
function kept() {
  const run = (id, name) =>
    JSON.parse(one('select cells from cell_runs where tableId = ? and columnId = ?', id, name).cells);
  const [a, b] = [run(shown, 'a'), run(shown, 'b')];
  return {
    title: one('select title from studies where id = ?', study).title,
    cells: a,
    pairs: b,
    there: one('select deletedAt from tables where id = ?', other).deletedAt === null,
    level: JSON.parse(one('select question from questions where id = ?', question).question).level,
    figures: all('select id, style from figures where studyId = ? order by id', study).map((f) => ({
      id: f.id,
      title: JSON.parse(f.style).title ?? null,
    })),
    text: JSON.parse(one('select writeUp from write_ups where studyId = ?', study)?.writeUp ?? '{"content":[]}')
      .content.map((block) => block.content?.[0]?.text ?? '')
      .join('\n'),
  };
}
const line = () => one('select lines from studies where id = ?', study).lines;

/** What the log says each thing is now, by its last line: it must be what the thing is. */
function untold(state) {
  const last = (kind, subject) =>
    one('select before, after from events where kind = ? and subject = ? order by line desc limit 1', kind, subject);
  const after = (event) => (event ? JSON.parse(event.after ?? 'null') : undefined);
  const wrong = [];
  const title = after(last('study', study));
  if (title !== undefined && title !== state.title) wrong.push('title');
  const there = after(last('table', other));
  if (there !== undefined && (there !== null) !== state.there) wrong.push('table');
  const told = after(last('question', question));
  if (told && told.question.level !== state.level) wrong.push('question');
  const words = after(last('write-up', study));
  if (words && words.content.map((b) => b.content?.[0]?.text ?? '').join('\n') !== state.text) wrong.push('write-up');
  const subjects = all("select distinct subject from events where kind = 'figure'").map((e) => e.subject);
  const inLog = subjects.filter((id) => after(last('figure', id)) !== null).sort();
  if (!isDeepStrictEqual(inLog, state.figures.map((f) => f.id).sort())) wrong.push('figures');
  // Every line of the log is there, once.
  const lines = all(
    `select line from events where studyId = ? union all
     select line from changes where tableId in (select id from tables where studyId = ?) union all
     select line from tables where studyId = ?`,
    study,
    study,
    study,
  ).map((l) => l.line);
  if (new Set(lines).size !== lines.length) wrong.push('a line twice');
  for (let l = 1; l <= line(); l++) if (!lines.includes(l)) wrong.push(`line ${l}`);
  return wrong;
}

/** What was done is drawn from a seed, so that a run can be had again. */
let seed = 12345;
const draw = (below) => {
  seed = (Math.imul(seed, 1103515245) + 12345) & 0x7fffffff;
  return Math.floor((seed / 0x80000000) * below);
};

let next = 1;
/** Lines to go back to, with the study as it was just after each. */
let past = [];

/** One thing to do now: what is sent, and what the study is to be then. */
function deed(state) {
  const value = `v${next++}`;
  const is = (change) => ({ ...state, ...change });
  switch (draw(10)) {
    case 0:
      return {
        what: 'title',
        send: () => call('PATCH', `/api/studies/${study}`, { title: value }),
        then: is({ title: value }),
      };
    case 1:
      return state.there
        ? { what: 'removal', send: () => call('DELETE', `/api/tables/${other}`), then: is({ there: false }) }
        : { what: 'return', send: () => call('POST', `/api/tables/${other}/restore`), then: is({ there: true }) };
    case 2: {
      const level = 0.8 + (next % 190) / 1000;
      return {
        what: 'question',
        send: async () => {
          const { question: now, revision } = await call('GET', `/api/questions/${question}`);
          await call('PUT', `/api/questions/${question}`, { revision, question: { ...now, level } });
        },
        then: is({ level }),
      };
    }
    case 3:
      return {
        what: 'write-up',
        send: () => call('POST', `/api/studies/${study}/write-up/append`, { text: value }),
        then: is({ text: state.text === '' ? value : `${state.text}\n${value}` }),
      };
    case 4:
      return {
        what: 'figure',
        send: () => call('POST', '/api/figures', { question, style }),
        // Its id is the server's to give.
        then: is({ figures: [...state.figures, { id: undefined, title: null }] }),
      };
    case 5: {
      const gone = state.figures[draw(state.figures.length || 1)];
      if (!gone) return deed(state);
      return {
        what: 'removal',
        send: () => call('DELETE', `/api/figures/${gone.id}`),
        then: is({ figures: state.figures.filter((f) => f !== gone) }),
      };
    }
    case 6: {
      const to = past[draw(past.length || 1)];
      if (!to) return deed(state);
      return {
        what: 'going back',
        send: () => call('POST', `/api/studies/${study}/restore-to`, { line: to.line }),
        then: to.state,
      };
    }
    default: {
      // The same number goes into both columns of a row: one without the other would be half an edit.
      const row = draw(rows);
      const number = String(next);
      return {
        what: 'readings',
        send: async () => {
          const { revision } = await call('GET', `/api/tables/${shown}/edits?since=0`);
          await call('POST', `/api/tables/${shown}/edits`, {
            revision,
            edits: [{ kind: 'write', row, columns: ['a', 'b'], texts: [[number, number]] }],
          });
        },
        then: is({ cells: state.cells.with(row, number), pairs: state.pairs.with(row, number) }),
      };
    }
  }
}

/** Whether the study is what it was to be; a figure's id that nobody knew may be any. */
function matches(state, wanted) {
  const known = new Set(wanted.figures.map((f) => f.id));
  const fresh = state.figures.filter((f) => !known.has(f.id));
  const unknown = wanted.figures.filter((f) => f.id === undefined);
  return (
    fresh.length === unknown.length &&
    isDeepStrictEqual(
      { ...state, figures: state.figures.filter((f) => known.has(f.id)) },
      { ...wanted, figures: wanted.figures.filter((f) => f.id !== undefined) },
    )
  );
}

const acks = new Map();
let missing = 0;
let half = 0;
let unlogged = 0;
let uncertain = 0;
const began = performance.now();
for (let fall = 0; fall < times; fall++) {
  const doomed = server;
  // The moment of the fall moves over the whole of a change's way to the disk.
  setTimeout(() => doomed.kill('SIGKILL'), 5 + ((fall * 37) % 600));
  let state = kept();
  let flying;
  for (;;) {
    flying = deed(state);
    try {
      await flying.send();
    } catch (error) {
      if (error instanceof TypeError) break;
      throw error;
    }
    const now = kept();
    if (!matches(now, flying.then)) {
      missing += 1;
      console.log(`acknowledged and not so: ${flying.what}`);
    }
    acks.set(flying.what, (acks.get(flying.what) ?? 0) + 1);
    state = now;
    // What follows soon upon the same belongs to its line: one goes back to the last of it.
    past = [...past.filter((p) => p.line !== line()).slice(-12), { line: line(), state }];
  }
  await new Promise((resolve) =>
    doomed.exitCode !== null || doomed.signalCode !== null ? resolve() : doomed.once('exit', resolve),
  );
  server = await rise();
  const now = kept();
  // What was on its way when the server fell is there whole, or not at all.
  if (matches(now, flying.then) && !matches(now, state)) uncertain += 1;
  else if (!matches(now, state)) {
    missing += 1;
    console.log(`lost or half done: ${flying.what}`);
  }
  if (!isDeepStrictEqual(now.cells, now.pairs)) half += 1;
  const wrong = untold(now);
  unlogged += wrong.length;
  if (wrong.length > 0) console.log(`not as the log says: ${wrong.join(', ')} (${flying.what})`);
  if ((fall + 1) % 20 === 0) console.log(`${fall + 1} falls`);
}
server.kill('SIGKILL');
reader.close();
rmSync(folder, { recursive: true, force: true });
const seconds = ((performance.now() - began) / 1000).toFixed(0);
const total = [...acks.values()].reduce((sum, n) => sum + n, 0);
console.log(`killed with -9:                ${times} times in ${seconds} s`);
console.log(`acknowledged:                  ${total} (${[...acks].map(([what, n]) => `${what} ${n}`).join(', ')})`);
console.log(`acknowledged and missing:      ${missing}`);
console.log(`half written:                  ${half}`);
console.log(`without its line in the log:   ${unlogged}`);
console.log(`written, not yet acknowledged: ${uncertain}`);
process.exit(missing + half + unlogged > 0 ? 1 : 0);
