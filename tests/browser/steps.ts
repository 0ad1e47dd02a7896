import { type Page, test as base } from '@playwright/test';

/** Once a page has come it is waited for until it listens: what the server draws can be seen a moment before. */
function patient(page: Page): void {
  const heard = () => page.waitForFunction(() => document.querySelector('astro-island[ssr]') === null);
  for (const way of ['goto', 'reload', 'waitForURL'] as const) {
    const come = page[way].bind(page) as (...given: unknown[]) => Promise<unknown>;
    Object.assign(page, {
      [way]: async (...given: unknown[]) => {
        const response = await come(...given);
        await heard();
        return response;
      },
    });
  }
}

/** A test whose pages are used once they listen. */
export const test = base.extend({
  context: async ({ context }, use) => {
    context.on('page', patient);
    await use(context);
  },
});

/** Starts a study from the shelf by typing its title. */
export async function startStudy(page: Page, title: string): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Start one about').fill(title);
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/readings\//);
  await page.getByRole('grid').waitFor();
}

/** Pastes a block into the grid as if copied from a spreadsheet: the clipboard is filled, and Ctrl+V pressed. */
export async function paste(page: Page, block: string): Promise<void> {
  await page.evaluate((text) => navigator.clipboard.writeText(text), block);
  await page.getByRole('grid').focus();
  await page.keyboard.press('Control+V');
}

/** The text of the cell at (row, column), counted from 1. */
export const cell = (page: Page, row: number, column: number) => page.locator(`#cell-${row - 1}-${column - 1}`);

/** Waits until the page says that everything is kept. */
export const saved = (page: Page) => page.getByText('All changes saved').waitFor();

/** Two groups whose answer is a reference case (means.welch_t, 50-digit arithmetic). */
export const red = [67.44, 63.84, 56.88, 66.51, 67.42, 62.2, 62.87, 65.94, 60.36];
export const white = [59.19, 58.0, 53.63, 50.04, 55.87, 52.62, 62.01, 57.72, 60.91];
export const lampBlock = ['Red lamp (mm)\tWhite lamp (mm)', ...red.map((r, i) => `${r}\t${white[i]}`)].join('\r\n');
