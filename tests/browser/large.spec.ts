/** Tables of so many readings that a worker answers them. */
import { expect } from '@playwright/test';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { test as base } from './steps';

const test = base.extend<{ post: (path: string, data: unknown) => Promise<string> }>({
  /** Makes something through the server. @returns its id */
  post: async ({ request, baseURL }, use) =>
    use(async (path, data) => {
      const made = await request.post(path, { headers: { origin: baseURL ?? '' }, data });
      return ((await made.json()) as { id: string }).id;
    }),
});

/** Two groups side by side, their readings between 20 and 30. */
function largeTable(name: string, rows: number) {
  const columns = ['Coir', 'Jute'].map((group, k) => ({
    id: 'ab'[k],
    name: group,
    unit: 'mm',
    role: 'measure',
    decimal: 'auto',
    cells: Array.from({ length: rows }, (_, i) => (20 + ((i * 7919 + k * 104729) % 1000) / 100).toFixed(2)),
    aside: {},
  }));
  const measured = { name, measure: 'length', subject: 'blade', shape: 'columns', average: false };
  return { ...measured, spread: 'sd', level: 0.95, rowCount: rows, columns };
}
const twoGroups = { design: 'two-groups', a: 'a', b: 'b', direction: 'either', level: 0.95 };

test('a long answer can be stopped, shows what it is about meanwhile, and can be begun again', async ({
  page,
  post,
}) => {
  const study = await post('/api/studies', { title: 'Long' });
  const id = await post(`/api/studies/${study}/tables`, { table: largeTable('Lines', 60_000), origin: 'typed' });
  const asked = await post('/api/questions', {
    table: id,
    question: { ...twoGroups, method: 'shuffle', statistic: 'median' },
  });
  // What is seen together at any moment is written down as it comes.
  await page.addInitScript(() => {
    new MutationObserver(() => {
      const working = document.querySelector('[data-testid=working-out]')?.textContent ?? '';
      const look = document.querySelector('[data-testid=look] svg')?.getAttribute('aria-label') ?? '';
      const groups = document.querySelector('#part-Groups')?.parentElement?.textContent ?? '';
      if (working !== '' && look !== '' && groups !== '') Object.assign(window, { together: [working, look, groups] });
    }).observe(document, { subtree: true, childList: true });
  });
  // The worker is slow to come, so that it can be stopped.
  let release = (): void => undefined;
  const held = new Promise<void>((resolve) => (release = resolve));
  await page.route('**/desk.worker*', async (route) => {
    await held;
    await route.continue();
  });
  await page.goto(`/studies/${study}/questions/${asked}`);
  await expect(page.getByTestId('working-out')).toContainText('Working the answer out …');
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByTestId('working-out')).toContainText('Stopped: there is no answer.');
  release();
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.getByRole('region', { name: 'Headline' })).toContainText('Coir', { timeout: 30_000 });
  // Before the test was through, the groups were there: as a picture, and with their means.
  const together = await page.evaluate(() => (window as unknown as { together?: string[] }).together);
  expect(together?.[0]).toContain('Working the answer out');
  expect(together?.[1]).toContain('Readings of length by group: Coir, 60000 readings');
  expect(together?.[2]).toMatch(/Coir.*60000.*24\.9/);
});

test('what is asked beside a large question is there as beside a small one', async ({ page, post }) => {
  const study = await post('/api/studies', { title: 'Beside' });
  const table = largeTable('Lines', 20_000);
  const id = await post(`/api/studies/${study}/tables`, { table, origin: 'typed' });
  const asked = await post('/api/questions', { table: id, question: twoGroups });
  await page.goto(`/studies/${study}/questions/${asked}`);
  await page.getByText('The interval at other levels').click();
  await expect(page.getByTestId('levels').getByRole('img')).toHaveAttribute('aria-label', /80.% .*; 95.% .*; 99.% /);
  await page.locator('summary', { hasText: 'The hypotheses' }).click();
  // Both groups have the same readings, put in another order: as much speaks for either side.
  const directions = page.getByTestId('directions');
  await expect(directions.locator('tbody td')).toHaveText([/> 0.999/, '0.50', '0.50']);
  // A table is as wide as its place, and a place that clings to it would leave nothing of it to be seen.
  expect((await directions.boundingBox())?.width).toBeGreaterThan(300);

  // Without an answer, what could be asked instead is offered, and taken.
  const [coir, jute] = table.columns;
  const zero = { ...table, columns: [{ ...coir, cells: ['0', ...(coir?.cells.slice(1) ?? [])] }, jute] };
  const zeros = await post(`/api/studies/${study}/tables`, { table: zero, origin: 'typed' });
  const ratio = await post('/api/questions', { table: zeros, question: { ...twoGroups, effect: 'ratio' } });
  await page.goto(`/studies/${study}/questions/${ratio}`);
  await expect(page.getByTestId('no-answer')).toContainText('is 0');
  await page.getByRole('button', { name: 'Compare by differences' }).click();
  await expect(page.getByRole('region', { name: 'Headline' })).toContainText('Coir');
});

test('the hand stays in sight on its way through a large table', async ({ page, post }) => {
  const study = await post('/api/studies', { title: 'Way' });
  const table = await post(`/api/studies/${study}/tables`, { table: largeTable('Lines', 20_000), origin: 'typed' });
  await page.goto(`/studies/${study}/readings/${table}`);
  const grid = page.getByRole('grid');
  await grid.focus();
  const at = async (row: number): Promise<void> => {
    await expect(grid).toHaveAttribute('aria-activedescendant', `cell-${row}-0`);
    await expect(page.locator(`#cell-${row}-0`)).toBeInViewport({ ratio: 1 });
  };
  for (let i = 0; i < 45; i++) await page.keyboard.press('ArrowDown');
  await at(45);
  await page.keyboard.press('Control+ArrowDown');
  await at(19_999);
  // Rows below the last stand there to be typed into.
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowDown');
  await at(20_004);
  for (let i = 0; i < 45; i++) await page.keyboard.press('ArrowUp');
  await at(19_959);
  await page.keyboard.press('Control+ArrowUp');
  await at(0);
});

test('a figure with a large one beside it is drawn by a worker, and follows its options', async ({ page, post }) => {
  const study = await post('/api/studies', { title: 'Panels' });
  const figureOf = async (name: string, rows: number, question: object) => {
    const table = await post(`/api/studies/${study}/tables`, { table: largeTable(name, rows), origin: 'typed' });
    return post('/api/figures', {
      question: await post('/api/questions', { table, question }),
      style: defaultFigureStyle,
    });
  };
  const small = await figureOf('Small', 12, twoGroups);
  await figureOf('Large', 20_000, twoGroups);
  await figureOf('Refused', 20_000, { ...twoGroups, b: 'gone' });
  await page.goto(`/studies/${study}/figures/${small}`);
  const drawing = page.getByTestId('figure');
  await expect(drawing.locator('svg.chart')).toBeVisible();
  const add = page.getByLabel('Add a panel');
  await add.selectOption({ label: 'Coir · Jute, Large: means with error bars' });
  // A worker is at it, perhaps beside others.
  await expect(drawing.locator('[data-mark="panel-letter"]')).toHaveText(['A', 'B'], { timeout: 20_000 });
  await expect(page.getByTestId('legend')).toContainText(/\(A\).*n\s=\s12.*\(B\).*n\s=\s20000/s);
  await page.getByLabel('Zoom').selectOption('1');
  const height = (await drawing.locator('svg.chart').boundingBox())?.height ?? 0;
  await page.getByLabel('Height in millimetres').fill('90');
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => (await drawing.locator('svg.chart').boundingBox())?.height ?? 0, { timeout: 20_000 })
    .toBeGreaterThan(height + 10);
  // One that cannot be answered is left out, and says why.
  await add.selectOption({ label: 'Coir · a group no longer there: means with error bars' });
  await expect(page.getByRole('status').filter({ hasText: 'no longer in the readings' })).toBeVisible({
    timeout: 20_000,
  });
  await expect(drawing.locator('[data-mark="panel-letter"]')).toHaveText(['A', 'B']);
});
