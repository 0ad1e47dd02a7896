/**
 * What the hand feels, measured in Chromium: `npm run bench:page`. Typing into 100,000 rows, scrolling 100,000 by 20,
 * importing 100,000 rows, and an edit to its refreshed answer at 10,000 readings. Prints medians and how many times they
 * are under the bar (above 1 is within). Nothing here passes or fails.
 */
import { chromium as playwright } from '@playwright/test';
import { chromium } from '../scripts/chromium.mjs';
import { served } from '../scripts/throwaway.mjs';

const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;
const share95 = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length * 0.95)] ?? 0;
function line(what, times, bar) {
  const ms = median(times);
  const under = bar === undefined ? '' : `   ${(bar / ms).toFixed(1)} times under ${bar} ms`;
  console.log(
    `${what.padEnd(58)} ${ms.toFixed(1).padStart(8)} ms   95 %: ${share95(times).toFixed(1).padStart(7)} ms${under}`,
  );
}

const made = (rows, columns) =>
  Array.from({ length: columns }, (_, k) => ({
    id: `c${k}`,
    name: `Group ${k + 1}`,
    unit: 'mm',
    role: 'measure',
    decimal: 'auto',
    cells: Array.from({ length: rows }, (_, i) => (20 + ((i * 7919 + k * 104729) % 1000) / 100).toFixed(2)),
    aside: {},
  }));
let base = '';
async function post(path, body) {
  const response = await fetch(base + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: base },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(await response.text());
  return response.json();
}
const tableOf = (name, rows, columns) => ({
  name,
  measure: 'length',
  subject: 'blade',
  shape: 'columns',
  average: false,
  spread: 'sd',
  level: 0.95,
  rowCount: rows,
  columns: made(rows, columns),
});
/** A row for each reading: lines of two depths, each read in four weeks. */
const rowsOf = (name, rows) => {
  const [readings] = made(rows, 1);
  const names = (id, called, role, of) => ({
    ...readings,
    id,
    name: called,
    unit: '',
    role,
    cells: readings.cells.map(of),
  });
  return {
    ...tableOf(name, rows, 0),
    subject: 'line',
    shape: 'rows',
    columns: [
      names('line', 'line', 'subject', (_, i) => `L${Math.floor(i / 4)}`),
      names('week', 'week', 'group', (_, i) => String(2 * (i % 4))),
      names('depth', 'depth', 'group', (_, i) => (Math.floor(i / 4) % 2 ? 'deep' : 'shallow')),
      readings,
    ],
  };
};

/** From a key to the paint that shows it: the frame after the one in which the cell's text changed. */
async function typing(page, times) {
  return page.evaluate(async (n) => {
    const taken = [];
    const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));
    const grid = document.querySelector('[role=grid]');
    for (let i = 0; i < n; i++) {
      grid.focus();
      await frame();
      await frame();
      const start = performance.now();
      const target = document.activeElement;
      target.dispatchEvent(new KeyboardEvent('keydown', { key: String(i % 10), bubbles: true, cancelable: true }));
      // The page has done the key's work once this turn of the loop is over; style and layout are forced after it.
      await null;
      document.querySelector('[role=grid] input[aria-label]')?.getBoundingClientRect();
      const opened = performance.now();
      const input = document.querySelector('[role=rowgroup] input');
      const before = performance.now();
      input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
      await null;
      document.querySelector('[role=grid]').getBoundingClientRect();
      taken.push({ open: opened - start, accept: performance.now() - before });
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
    return taken;
  }, times);
}

/** Scrolls by steps of a page and measures the time from each step to the next frame's end. */
async function scrolling(page, steps, rows) {
  return page.evaluate(
    async ([n, rows]) => {
      const scroller = document.querySelector('[data-testid=grid-scroller]');
      const taken = [];
      let last = await new Promise((resolve) => requestAnimationFrame(resolve));
      for (let i = 0; i < n; i++) {
        scroller.scrollTop += 26 * rows;
        const now = await new Promise((resolve) => requestAnimationFrame(resolve));
        taken.push(now - last);
        last = now;
      }
      return taken.slice(2);
    },
    [steps, rows],
  );
}

/**
 * The longest task of the page's own thread while something is done: by the clock, and as the processor's time spent on
 * it, which a busy machine does not lengthen as much.
 */
async function longestTask(page, act) {
  const cdp = await page.context().newCDPSession(page);
  const events = [];
  cdp.on('Tracing.dataCollected', ({ value }) => events.push(...value));
  const ended = new Promise((resolve) => cdp.once('Tracing.tracingComplete', resolve));
  const traceConfig = { includedCategories: ['toplevel'] };
  await cdp.send('Tracing.start', { transferMode: 'ReportEvents', traceConfig });
  await act();
  await cdp.send('Tracing.end');
  await ended;
  await cdp.detach();
  const thread = (e) => `${e.pid}:${e.tid}`;
  const named = events.filter((e) => e.name === 'thread_name' && e.args.name === 'CrRendererMain').map(thread);
  const tasks = events.filter((e) => /RunTask/.test(e.name) && e.dur !== undefined && named.includes(thread(e)));
  const most = (part) => Math.max(0, ...tasks.map((t) => t[part] ?? 0)) / 1000;
  return { wall: most('dur'), cpu: most('tdur') };
}

await served(4395, [], async (address) => {
  base = address;
  const { id: study } = await post('/api/studies', { title: 'Bench' });
  const { id: large } = await post(`/api/studies/${study}/tables`, {
    table: tableOf('Large', 100_000, 20),
    origin: 'bench',
  });
  const { id: middle } = await post(`/api/studies/${study}/tables`, {
    table: tableOf('Middle', 5_000, 2),
    origin: 'bench',
  });
  const { id: question } = await post('/api/questions', {
    table: middle,
    question: { design: 'two-groups', a: 'c0', b: 'c1', direction: 'either', level: 0.95, spread: 'separate' },
  });
  const browser = await playwright.launch(chromium);
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();

  // The browser is warm and has Divide's scripts, as when a person comes from the shelf.
  await page.goto(`${base}/studies/${study}/readings/${middle}`);
  await page.getByRole('grid').waitFor();
  const opened = [];
  for (let i = 0; i < 3; i++) {
    const begun = performance.now();
    await page.goto(`${base}/studies/${study}/readings/${large}`);
    await page.getByRole('grid').waitFor();
    opened.push(performance.now() - begun);
  }
  line('open 100,000 rows by 20 columns', opened, 1500);
  await page.waitForTimeout(3000);
  await page.getByRole('grid').focus();
  await page.keyboard.press('Control+End');
  await page.keyboard.press('Control+Home');
  await page.waitForTimeout(500);
  const typed = (await typing(page, 25)).slice(3);
  line(
    'a key to the cell it opens, 100,000 rows by 20',
    typed.map((t) => t.open),
    16,
  );
  line(
    'Enter to the painted cell, 100,000 rows by 20',
    typed.map((t) => t.accept),
    16,
  );
  line('a frame while scrolling, 4 rows a frame', await scrolling(page, 150, 4), 33);
  line('a frame while dragging the bar, 900 rows a frame', await scrolling(page, 100, 900), 33);

  const lines = ['tank;flow;cover (%)'];
  for (let i = 0; i < 100_000; i++)
    lines.push(`K${i % 500};${i % 2 ? 'still' : 'pulsed'};${(40 + (i % 97) / 10).toFixed(1).replace('.', ',')}`);
  const buffer = Buffer.from(lines.join('\r\n'));
  const imports = [];
  for (let i = 0; i < 3; i++) {
    await page.goto(`${base}/studies/${study}/readings/${middle}`);
    await page.getByRole('grid').waitFor();
    const start = performance.now();
    await page.getByLabel('File of readings').setInputFiles({ name: 'logger.csv', mimeType: 'text/csv', buffer });
    await page.getByText('100000 rows of 3 columns').waitFor();
    imports.push(performance.now() - start);
  }
  line('a file of 100,000 rows, dropped to understood', imports, 2000);

  const painted = [];
  for (let i = 0; i < 12; i++) {
    await page.goto(`${base}/studies/${study}/questions/${question}`);
    await page.getByTestId('estimate').waitFor();
    await page.waitForTimeout(600);
    painted.push(
      await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? Infinity),
    );
  }
  line('first paint of a question with its answer, 10,000 readings', painted, 300);

  await page.goto(`${base}/studies/${study}/questions/${question}`);
  await page.getByTestId('estimate').waitFor();
  const options = await page.evaluate(async () => {
    const taken = [];
    const select = document.querySelector('select[aria-label="Spreads"]');
    const set = Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set;
    for (let i = 0; i < 15; i++) {
      await new Promise((resolve) => setTimeout(resolve, 150));
      const start = performance.now();
      set.call(select, i % 2 ? 'separate' : 'pooled');
      select.dispatchEvent(new Event('change', { bubbles: true }));
      await null;
      document.body.getBoundingClientRect();
      taken.push(performance.now() - start);
    }
    return taken.slice(2);
  });
  line('an option to the refreshed answer, 10,000 readings', options, 100);

  const edits = await page.evaluate(async () => {
    const taken = [];
    const field = document.querySelector('input[aria-label="What counts once"]');
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
    for (let i = 0; i < 15; i++) {
      await new Promise((resolve) => setTimeout(resolve, 250));
      field.focus();
      set.call(field, `blade ${i}`);
      field.dispatchEvent(new Event('input', { bubbles: true }));
      await null;
      const start = performance.now();
      field.blur();
      await null;
      document.body.getBoundingClientRect();
      taken.push(performance.now() - start);
    }
    return taken.slice(2);
  });
  line('an edit of the readings to the refreshed answer, 10,000', edits, 100);

  const other = await context.newPage();
  await other.goto(`${base}/studies/${study}/readings/${middle}`);
  await other.getByRole('grid').waitFor();
  const shown = [];
  for (let i = 0; i < 12; i++) {
    await other.locator('#cell-0-0').click();
    await other.keyboard.type(String(2000 + i * 1000));
    const before = await page.getByTestId('estimate').textContent();
    const start = performance.now();
    await other.keyboard.press('Enter');
    await page.waitForFunction((old) => document.querySelector('[data-testid=estimate]')?.textContent !== old, before, {
      polling: 4,
    });
    shown.push(performance.now() - start);
  }
  line('an edit in one window to the answer in another, 10,000', shown);

  for (const rows of [50_000, 100_000]) {
    const { id: many } = await post(`/api/studies/${study}/tables`, {
      table: tableOf(`Many ${rows}`, rows, 2),
      origin: 'bench',
    });
    const { id: heavy } = await post('/api/questions', {
      table: many,
      question: { design: 'two-groups', a: 'c0', b: 'c1', direction: 'either', level: 0.95, spread: 'separate' },
    });
    const open = async () => {
      await page.goto(`${base}/studies/${study}/questions/${heavy}`);
      await page.getByTestId('estimate').waitFor();
      await page.waitForTimeout(3000);
    };
    const option = async (spread) => {
      await page.locator('select[aria-label="Spreads"]').selectOption(spread);
      await page.waitForTimeout(2500);
    };
    const [opens, changes] = [[], []];
    for (let i = 0; i < 5; i++) {
      opens.push(await longestTask(page, open));
      changes.push(await longestTask(page, () => option('pooled')));
      changes.push(await longestTask(page, () => option('separate')));
    }
    for (const [what, of] of [
      ['opening a question', opens],
      ['an option changed', changes],
    ]) {
      line(
        `longest task, ${what} on 2 × ${rows}: processor`,
        of.map((t) => t.cpu),
        50,
      );
      line(
        `longest task, ${what} on 2 × ${rows}: clock`,
        of.map((t) => t.wall),
        50,
      );
    }
  }
  const { id: long } = await post(`/api/studies/${study}/tables`, { table: rowsOf('Lines', 100_000), origin: 'bench' });
  const read = async () => {
    await page.goto(`${base}/studies/${study}/readings/${long}`);
    await page.getByRole('grid').waitFor();
    await page.waitForTimeout(3000);
  };
  const write = async (text) => {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
    await page.waitForTimeout(2000);
  };
  const [reads, writes] = [[], []];
  for (let i = 0; i < 5; i++) {
    reads.push(await longestTask(page, read));
    await page.locator('#cell-0-3').click();
    writes.push(await longestTask(page, () => write(`2${i}.5`)));
    await page.locator('#cell-1-2').click();
    writes.push(await longestTask(page, () => write(i % 2 ? 'deep' : 'shallow')));
  }
  for (const [what, of] of [
    ['opening 100,000 rows of two factors', reads],
    ['a cell of them written', writes],
  ])
    line(
      `longest task, ${what}: processor`,
      of.map((t) => t.cpu),
      50,
    );
  await browser.close();
});
