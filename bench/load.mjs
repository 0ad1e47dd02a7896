/**
 * Nobody waits for another: `npm run bench:load [seconds]`. Eight clients open pages and tables without pause while one
 * more asks for something heavy over and over, each kind in its turn; prints the median and the p99 of what the eight
 * wait, in milliseconds, for docs/reliability.md.
 */
import { served } from '../scripts/throwaway.mjs';

const seconds = Number(process.argv[2] ?? 8);
const clients = 8;

const normal = (n, at) => {
  let seed = at;
  return Array.from({ length: n }, () => {
    seed = (Math.imul(seed, 1103515245) + 12345) & 0x7fffffff;
    return 20 + (seed / 0x80000000) * 10;
  });
};
const readings = (k, n) => ({
  columns: Array.from({ length: k }, (_, i) => ({ id: `g${i}`, name: `Group ${i}`, values: normal(n, i + 1) })),
});

await served(4398, ['--demo'], async (base) => {
  const headers = { 'content-type': 'application/json', origin: base };
  const get = async (path) => (await fetch(base + path)).text();
  const post = async (path, body) =>
    (await fetch(base + path, { method: 'POST', headers, ...(body ? { body: JSON.stringify(body) } : {}) })).text();
  const [study] = JSON.parse(await get('/api/studies'));
  const page = await get(`/studies/${study.id}/log`);
  const linked = (kind) => [
    ...new Set([...page.matchAll(new RegExp(`/studies/[^"]+/${kind}/([^"?#]+)`, 'g'))].map((m) => m[1])),
  ];
  const [tables, questions, figures] = ['readings', 'questions', 'figures'].map(linked);
  const light = [
    '/',
    ...tables.slice(0, 3).map((id) => `/studies/${study.id}/readings/${id}`),
    ...questions.slice(0, 4).map((id) => `/studies/${study.id}/questions/${id}`),
    ...tables.slice(0, 2).map((id) => `/api/tables/${id}`),
    `/studies/${study.id}/log`,
  ];
  const several = { question: { design: 'several', direction: 'either', level: 0.95 }, readings: readings(60, 40) };
  const exact = {
    question: { design: 'two-groups', a: 'g0', b: 'g1', direction: 'either', level: 0.95, method: 'permutation' },
    readings: readings(2, 2000),
  };
  const heavy = {
    'nothing else': undefined,
    'an answer of 60 groups': () => post('/api/answer', several),
    'a permutation test of 2,000 + 2,000': () => post('/api/answer', exact),
    'an answer refused for its size': () => post('/api/answer', { ...several, readings: readings(400, 400) }),
    'a study exported': () => get(`/api/studies/${study.id}/bundle`),
    'all studies exported': () => get('/api/studies/bundles'),
    'the write-up’s pieces': () => get(`/api/studies/${study.id}/write-up/pieces`),
    'a figure as PDF': () => get(`/api/figures/${figures[0]}/pdf`),
    'a backup': () => get('/api/backup'),
    'a study copied': () => post(`/api/studies/${study.id}/duplicate`),
  };
  // Code that nobody has run yet is compiled at its first page: that is no wait for anyone else's work.
  for (const path of light) await get(path);
  console.log(`p50 and p99 of ${clients} clients, ms`);
  for (const [name, ask] of Object.entries(heavy)) {
    const end = performance.now() + seconds * 1000;
    const waits = [];
    let asked = 0;
    const busy = (async () => {
      while (ask && performance.now() < end) {
        await ask();
        asked += 1;
      }
    })();
    await Promise.all(
      Array.from({ length: clients }, async (_, c) => {
        for (let i = c; performance.now() < end; i++) {
          const began = performance.now();
          await get(light[i % light.length]);
          waits.push(performance.now() - began);
          // People look at a page before they open the next.
          await new Promise((resolve) => setTimeout(resolve, 500));
        }
      }),
    );
    await busy;
    waits.sort((a, b) => a - b);
    const at = (p) => waits[Math.min(waits.length - 1, Math.floor(p * waits.length))].toFixed(0).padStart(5);
    console.log(`${name.padEnd(40)} ${at(0.5)} ${at(0.99)}   (${waits.length} pages, asked ${asked} times)`);
  }
});
process.exit(0);
