import { type ChildProcess, spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { expect } from '@playwright/test';
import { cell, lampBlock, paste, saved, startStudy, test } from './steps';

// Each starts a server of its own at one door.
test.describe.configure({ mode: 'default' });

const port = 4391;
const address = `http://127.0.0.1:${port}`;

async function serve(env: Record<string, string> = {}): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['scripts/serve.mjs'], {
    env: { ...process.env, PORT: String(port), DIVIDE_DB: '.tmp/db/crash.sqlite', ...env },
    stdio: 'ignore',
  });
  await expect
    .poll(
      () =>
        fetch(address).then(
          (r) => r.status,
          () => 0,
        ),
      { timeout: 60_000 },
    )
    .toBe(200);
  return server;
}

test('what was typed last stays also when the page is left at once', async ({ page }) => {
  await startStudy(page, 'In a hurry');
  const url = page.url();
  for (const [row, text] of ['21.2', '31.6', '30.1'].entries()) {
    await cell(page, row + 1, 1).click();
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
    await page.goto(url);
    await expect(cell(page, row + 1, 1)).toHaveText(text);
  }
});

test('a server killed with -9 loses nothing it acknowledged, and the page goes on by itself', async ({ browser }) => {
  rmSync('.tmp/db/crash.sqlite', { force: true });
  let server = await serve();
  const page = await browser.newPage({ baseURL: address, permissions: ['clipboard-read', 'clipboard-write'] });
  await startStudy(page, 'Crash');
  await paste(page, lampBlock);
  await saved(page);
  const killed = new Promise((resolve) => server.once('exit', resolve));
  server.kill('SIGKILL');
  await killed;
  // Typed while nothing answers: kept in the page, sent when the server is back.
  await cell(page, 10, 1).click();
  await page.keyboard.type('61.5');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Not saved yet: Divide does not answer.')).toBeVisible();
  server = await serve();
  await saved(page);
  await page.reload();
  await expect(cell(page, 10, 1)).toHaveText('61.5');
  await expect(cell(page, 9, 2)).toHaveText('60.91');
  await expect(page.getByLabel('Name of group 1')).toHaveValue('Red lamp');
  await page.close();
  server.kill('SIGKILL');
});

test('foreign origins and hosts, unknown fields, huge bodies and inline scripts are refused', async ({
  page,
  request,
  baseURL,
}) => {
  const post = (headers: Record<string, string>, data: unknown) =>
    request.post('/api/studies', { headers: { 'content-type': 'application/json', ...headers }, data });
  const foreign = await post({ origin: 'https://elsewhere.example' }, { title: 'x' });
  expect(foreign.status()).toBe(403);
  expect(foreign.headers()['content-type']).toContain('application/problem+json');
  const elsewhere = await post({ 'sec-fetch-site': 'cross-site' }, { title: 'x' });
  expect(elsewhere.status()).toBe(403);
  expect((await request.get('/_image?href=x')).status()).toBe(404);
  const wrong = await request.put('/api/studies', { data: {} });
  expect([wrong.status(), wrong.headers()['allow']]).toEqual([405, 'GET, POST, HEAD']);
  expect((await request.delete('/')).status()).toBe(405);
  expect((await post({ host: 'elsewhere.example' }, { title: 'x' })).status()).toBe(421);
  const empty = await post({}, { title: '   ' });
  expect(empty.status()).toBe(422);
  expect(((await empty.json()) as { detail: string }).detail).toBe(
    'title: A study needs a title: type what it is about.',
  );
  const huge = await request.post('/api/questions', {
    headers: { 'content-type': 'application/json' },
    data: { table: 'x'.repeat(33 * 1024 * 1024) },
  });
  expect(huge.status()).toBe(413);
  const response = await page.goto('/');
  const policy = (await response?.headerValue('content-security-policy')) ?? '';
  expect(policy).toContain("default-src 'none'");
  expect(/script-src[^;]*/.exec(policy)?.[0]).not.toContain('unsafe-inline');
  const ran = await page.evaluate(() => {
    const script = document.createElement('script');
    script.textContent = 'window.inlineRan = true';
    document.head.append(script);
    return 'inlineRan' in window;
  });
  expect(ran).toBe(false);
  expect(new URL(baseURL ?? '').hostname).toBe('127.0.0.1');
  expect((await page.goto('/studies/none/readings/none'))?.status()).toBe(404);
});

test('an answer that takes too long is ended, and the reply says what would help', async ({ request }) => {
  const server = await serve({ DIVIDE_BUDGET_MS: '30' });
  const readings = (shift: number) => Array.from({ length: 20_000 }, (_, i) => String(((i * 7919) % 997) + shift));
  const asked = await request.post(`${address}/api/answer`, {
    headers: { origin: address },
    data: {
      readings: {
        columns: [
          { name: 'coir', values: readings(0) },
          { name: 'jute', values: readings(1) },
        ],
      },
      question: { design: 'two-groups', a: 'coir', b: 'jute', method: 'shuffle' },
    },
  });
  const { detail } = (await asked.json()) as { detail: string };
  server.kill('SIGKILL');
  expect(asked.status()).toBe(422);
  expect(detail).toContain('takes longer than 0.03 seconds, and was ended so that others need not wait');
  expect(detail).toContain('fewer groups or categories');
});
