import { expect } from '@playwright/test';
import type { BrowserContext, Page } from '@playwright/test';
import { cell, lampBlock, paste, saved, startStudy, test } from './steps';

test.use({ permissions: ['clipboard-read', 'clipboard-write'] });

/** Another window of the same browser, at the same page. */
async function beside(page: Page, context: BrowserContext): Promise<Page> {
  const other = await context.newPage();
  await other.goto(page.url());
  return other;
}
const type = async (page: Page, row: number, column: number, text: string) => {
  await cell(page, row, column).click();
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
};
/** Holds back what a page sends, as a broken connection would. @returns what lets it go again */
async function cutOff(page: Page): Promise<() => Promise<void>> {
  await page.route('**/api/**', (route) => (route.request().method() === 'GET' ? route.continue() : route.abort()));
  // On a busy machine the browser may still let something through for a moment.
  const sent = () =>
    page.evaluate(() =>
      fetch('/api/none', { method: 'POST' }).then(
        () => 'through',
        () => 'cut off',
      ),
    );
  await expect.poll(sent).toBe('cut off');
  return () => page.unroute('**/api/**');
}

test('a reading typed in one window stands in the other within a second, and says whence it came', async ({
  page,
  context,
}) => {
  await startStudy(page, 'Two windows');
  await paste(page, '1\t2\n3\t4');
  await saved(page);
  const other = await beside(page, context);
  await type(other, 1, 1, '9');
  await expect(cell(page, 1, 1)).toHaveText('9', { timeout: 1000 });
  await expect(page.getByText('Changed in another window')).toBeVisible();
  // What is sent by no page at all is heard of as well.
  const table = page.url().split('/').at(-1) ?? '';
  const kept = (await (await page.request.get(`/api/tables/${table}`)).json()) as { revision: number };
  const edits = [{ kind: 'write', row: 0, columns: ['a'], texts: [['10']] }];
  await page.request.post(`/api/tables/${table}/edits`, { data: { revision: kept.revision, edits } });
  await expect(cell(page, 1, 1)).toHaveText('10', { timeout: 1000 });
  await expect(cell(other, 1, 1)).toHaveText('10', { timeout: 1000 });
});

test('the shelf shows at once what is begun, renamed and deleted in another window', async ({ page, context }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Studies' })).toBeVisible();
  const other = await context.newPage();
  await startStudy(other, 'Begun elsewhere');
  const line = page.getByRole('link', { name: 'Begun elsewhere' });
  await expect(line).toBeVisible();
  await other.goto('/');
  await other.getByRole('button', { name: 'Rename Begun elsewhere' }).click();
  await other.keyboard.type('Renamed elsewhere');
  await other.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'Renamed elsewhere' })).toBeVisible();
  await other.getByRole('button', { name: 'Delete Renamed elsewhere' }).click();
  await other.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(page.getByText('Deleted studies (')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Renamed elsewhere' })).toHaveCount(0);
});

test('readings typed while another window sorts and removes rows stay with their own rows', async ({
  page,
  context,
}) => {
  await startStudy(page, 'Sorted meanwhile');
  await paste(page, 'line\tlength\na\t10\nb\t20\nc\t30');
  await saved(page);
  const other = await beside(page, context);
  const mend = await cutOff(page);
  await type(page, 1, 2, '11');
  await type(page, 3, 2, '33');
  await expect(page.getByText('Not saved yet')).toBeVisible();
  const table = page.url().split('/').at(-1) ?? '';
  const { table: now, revision } = (await (await page.request.get(`/api/tables/${table}`)).json()) as {
    table: { rowCount: number };
    revision: number;
  };
  // The other window turns the rows round, and takes out what was the third.
  const order = Array.from({ length: now.rowCount }, (_, i) => i);
  order.splice(0, 3, 2, 1, 0);
  const edits = [
    { kind: 'order-rows', order },
    { kind: 'remove-rows', at: 0, count: 1 },
  ];
  expect((await other.request.post(`/api/tables/${table}/edits`, { data: { revision, edits } })).status()).toBe(200);
  await expect(cell(other, 1, 1)).toHaveText('b');
  await mend();
  await expect(page.getByRole('alert')).toContainText('Not saved: 11 · 33');
  await page.getByRole('button', { name: 'put mine in again' }).click();
  await expect(cell(page, 2, 1)).toHaveText('a');
  await expect(cell(page, 2, 2)).toHaveText('11');
  await expect(cell(page, 1, 2)).toHaveText('20');
  await expect(page.getByRole('alert')).toContainText('row 3: 33');
  await page.bringToFront();
  await page.getByRole('button', { name: 'Copy these' }).click();
  await expect(page.getByText('Copied')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toMatch(/length\t3\t33/);
  await page.getByRole('button', { name: 'Discard these' }).click();
  await expect(page.getByRole('alert')).toBeHidden();
  await saved(page);
  await expect(cell(other, 2, 2)).toHaveText('11');
});

test('undo goes on through a broken connection, and says what it took back', async ({ page }) => {
  await startStudy(page, 'Undone late');
  await paste(page, '1\t2\n3\t4');
  await type(page, 1, 1, '9');
  await saved(page);
  const mend = await cutOff(page);
  await page.keyboard.press('Control+Z');
  await expect(page.getByText('Not saved yet')).toBeVisible();
  await mend();
  await expect(page.getByText(/Taken back: now .*row 1: 1, was 9/)).toBeVisible();
  await expect(cell(page, 1, 1)).toHaveText('1');
});

test('words of a write-up that another window overtook are kept, and put over it or copied', async ({
  page,
  context,
}) => {
  await startStudy(page, 'Two writers');
  await page.goto(page.url().replace(/readings.*/, 'write-up'));
  await page.getByRole('button', { name: 'Begin with an empty page' }).click();
  await page.getByRole('textbox', { name: 'The write-up' }).pressSequentially('Mine first.');
  await saved(page);
  const other = await beside(page, context);
  await expect(other.getByRole('textbox', { name: 'The write-up' })).toContainText('Mine first.');
  // What the other window writes comes over at once …
  await other.getByRole('textbox', { name: 'The write-up' }).press('End');
  await other.getByRole('textbox', { name: 'The write-up' }).pressSequentially(' Theirs.');
  await saved(other);
  await expect(page.getByRole('textbox', { name: 'The write-up' })).toContainText('Mine first. Theirs.');
  // … and what was typed here while it could not be sent is not lost to it.
  const mend = await cutOff(page);
  await page.getByRole('textbox', { name: 'The write-up' }).press('End');
  await page.getByRole('textbox', { name: 'The write-up' }).pressSequentially(' Lost?');
  await expect(page.getByText('Not saved yet')).toBeVisible();
  await other.getByRole('textbox', { name: 'The write-up' }).press('End');
  await other.getByRole('textbox', { name: 'The write-up' }).pressSequentially(' More.');
  await saved(other);
  await mend();
  const alert = page.getByRole('alert');
  await expect(alert).toContainText('changed in another window');
  await page.bringToFront();
  await alert.getByRole('button', { name: 'Copy mine' }).click();
  await expect(page.getByText('Copied')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('Mine first. Theirs. Lost?');
  await alert.getByRole('button', { name: 'Keep mine' }).click();
  await saved(page);
  await expect(other.getByRole('textbox', { name: 'The write-up' })).toContainText('Mine first. Theirs. Lost?');
});

test('what is removed in one window is told in the others, and comes back with them looking on', async ({
  page,
  context,
}) => {
  await startStudy(page, 'Removed elsewhere');
  await paste(page, lampBlock);
  await page.getByRole('button', { name: 'Ask' }).click();
  await page.waitForURL(/questions/);
  const question = await beside(page, context);
  const id = page.url().split('/').at(-1) ?? '';
  const study = page.url().split('/').at(-3) ?? '';
  expect((await page.request.delete(`/api/questions/${id}`)).status()).toBe(200);
  await expect(question.getByRole('alert')).toContainText('This question was removed');
  await expect(question.getByText('All changes saved')).toBeHidden();
  await question.getByRole('link', { name: 'Open the log' }).click();
  await question.waitForURL(/\/log/);
  expect((await page.request.delete(`/api/studies/${study}`)).status()).toBe(200);
  await expect(page.getByRole('alert').first()).toContainText('was deleted');
  expect((await page.request.put(`/api/questions/${id}`, { data: { revision: 0, question: {} } })).status()).toBe(422);
  expect((await page.request.get(`/api/studies/${study}/write-up`)).status()).toBe(410);
});
