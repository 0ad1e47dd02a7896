/** Things put in an order of one's own: by pointer, by keys, and kept. */
import { type Locator, type Page, expect } from '@playwright/test';
import { cell, lampBlock, paste, saved, startStudy, test, unfold, white } from './steps';

/** Drags from one place to another, by hand. */
async function drag(page: Page, from: Locator, to: Locator): Promise<void> {
  const [start, end] = [await from.boundingBox(), await to.boundingBox()];
  if (!start || !end) throw new Error('Nothing to drag.');
  await page.mouse.move(start.x + start.width / 2, start.y + start.height / 2);
  await page.mouse.down();
  await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2, { steps: 12 });
  await page.mouse.up();
}

test('columns are dragged by their heads; what is typed or drawn over in a head is left alone', async ({ page }) => {
  await startStudy(page, 'Columns');
  await paste(page, lampBlock);
  await expect(cell(page, 9, 2)).toHaveText(String(white[8]));
  await saved(page);
  const names = () =>
    page.locator('[data-name-of]').evaluateAll((all) => all.map((field) => (field as HTMLInputElement).value));
  const before = await names();
  await drag(
    page,
    page.getByRole('button', { name: `Choose ${before[0]}` }),
    page.getByRole('button', { name: `Choose ${before[1]}` }),
  );
  await expect.poll(names).toEqual([before[1], before[0], ...before.slice(2)]);
  await saved(page);
  await page.getByRole('grid').focus();
  await page.keyboard.press('Control+z');
  await expect.poll(names).toEqual(before);
  // A drag that begins in a name selects its letters; one over the distribution picks rows.
  await drag(page, page.locator('[data-name-of="0"]'), page.locator('[data-name-of="1"]'));
  expect(await names()).toEqual(before);
  const strip = page.locator('[data-own-drag]').first();
  const box = (await strip.boundingBox())!;
  await page.mouse.move(box.x + 2, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + 8, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByText(/rows? picked/)).toBeVisible();
  expect(await names()).toEqual(before);
});

test('questions are moved among those of their table, by pointer and by keys, and stay so', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Open a fresh copy of the demo study' }).click();
  await page.waitForURL(/\/studies\//);
  await unfold(page);
  const list = page.getByRole('navigation', { name: 'Study' });
  const branch = list
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name: 'Four lamps', exact: true }) });
  const asked = branch.locator('a[data-group="Questions"]');
  const before = await asked.allTextContents();
  expect(before.length).toBeGreaterThan(1);
  await drag(page, asked.first(), asked.nth(1));
  const turned = [before[1], before[0], ...before.slice(2)];
  await expect.poll(() => asked.allTextContents()).toEqual(turned);
  await page.reload();
  await expect.poll(() => asked.allTextContents()).toEqual(turned);
  await asked.nth(1).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect.poll(() => asked.allTextContents()).toEqual(before);
  // A click still goes there.
  await asked.first().click();
  await page.waitForURL(/\/questions\//);
});

test.describe('by touch', () => {
  test.use({ hasTouch: true });

  test('a finger that rests on a question lifts it; one that moves on does not; a grip is dragged at once', async ({
    page,
  }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Open a fresh copy of the demo study' }).click();
    await page.waitForURL(/\/studies\//);
    await unfold(page);
    const asked = page
      .getByRole('navigation', { name: 'Study' })
      .getByRole('listitem')
      .filter({ has: page.getByRole('link', { name: 'Four lamps', exact: true }) })
      .locator('a[data-group="Questions"]');
    const before = await asked.allTextContents();
    const finger = await page.context().newCDPSession(page);
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', at?: { x: number; y: number }) =>
      finger.send('Input.dispatchTouchEvent', { type, touchPoints: at ? [at] : [] });
    const middle = async (of: Locator) => {
      const box = await of.boundingBox();
      if (!box) throw new Error('Nothing to touch.');
      return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    };
    /** From one to another. @param rest how long the finger rests before it moves, in milliseconds */
    const slide = async (from: Locator, to: Locator, rest: number) => {
      const [start, end] = [await middle(from), await middle(to)];
      await touch('touchStart', start);
      await page.waitForTimeout(rest);
      for (let i = 1; i <= 10; i++) await touch('touchMove', { x: start.x, y: start.y + ((end.y - start.y) * i) / 10 });
      await touch('touchEnd');
    };
    await slide(asked.first(), asked.nth(1), 0);
    await page.waitForTimeout(200);
    expect(await asked.allTextContents()).toEqual(before);
    await slide(asked.first(), asked.nth(1), 400);
    await expect.poll(() => asked.allTextContents()).toEqual([before[1], before[0], ...before.slice(2)]);
    await page.getByRole('link', { name: 'means with error bars' }).first().click();
    await page.getByText('Names, colours, order').click();
    const grips = page.getByRole('button', { name: /^Move (Red|White) lamp$/ });
    const order = () => grips.evaluateAll((all) => all.map((grip) => grip.getAttribute('aria-label')));
    await expect.poll(order).toEqual(['Move Red lamp', 'Move White lamp']);
    await slide(grips.first(), grips.nth(1), 0);
    await expect.poll(order).toEqual(['Move White lamp', 'Move Red lamp']);
  });
});
