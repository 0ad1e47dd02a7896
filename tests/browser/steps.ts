import { readFileSync } from 'node:fs';
import { type Page, type WebError, expect, test as base } from '@playwright/test';

/** Once a page has come it is waited for until it listens: what the server draws can be seen a moment before. */
function patient(page: Page): void {
  const heard = () =>
    page.waitForFunction(() => document.querySelector('astro-island[ssr], main [inert], nav [inert]') === null);
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

/** A test at its worker's own server, whose pages are used once they listen. */
export const test = base.extend({
  // eslint-disable-next-line no-empty-pattern -- the first parameter names the fixtures used
  baseURL: async ({}, use, { parallelIndex }) => use(`http://127.0.0.1:${4387 + parallelIndex}`),
  context: async ({ context }, use) => {
    const faults: string[] = [];
    const hear = (fault: WebError): void => void faults.push(fault.error().stack ?? String(fault.error()));
    context.on('page', patient);
    context.on('weberror', hear);
    await use(context);
    context.off('page', patient);
    context.off('weberror', hear);
    // What a person does not see go wrong has gone wrong all the same: a page drawn anew for one digit, say.
    expect(faults, 'faults of the pages').toEqual([]);
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

interface Case {
  id: string;
  given: unknown;
  expected: Record<string, number>;
}
const { cases } = JSON.parse(readFileSync('tests/reference/cases.json', 'utf8')) as { cases: Case[] };

/** What most cases used here give. */
interface Given {
  groups: Record<string, number[]>;
  rows: (string | number)[][];
  a: number[];
  b: number[];
}

/** A reference case's input and its figures, as another calculation gave them. */
export function reference(id: string): Given & { expected: Record<string, number> } {
  const found = cases.find((c) => c.id === id);
  if (!found) throw new Error(`no case ${id}`);
  return { ...(found.given as Given), expected: found.expected };
}
export const fixed = (x: number | undefined, decimals: number): string =>
  (x ?? NaN).toFixed(decimals).replace('-', '−');

/** Waits until the sentence stands and everything is kept. */
export async function asked(page: Page, button: string): Promise<void> {
  await saved(page);
  await page.getByRole('button', { name: button }).click();
  await page.waitForURL(/\/questions\//);
  await page.getByRole('region', { name: 'Headline' }).waitFor();
}

/** Presses a button that copies, and gives back what is on the clipboard once the page has said so. */
export async function copied(page: Page, button: string): Promise<string> {
  const clipboard = () => page.evaluate(() => navigator.clipboard.readText());
  await page.evaluate(() => navigator.clipboard.writeText(''));
  await page.getByRole('button', { name: button, exact: true }).click();
  await page.getByText('Copied', { exact: true }).waitFor();
  await expect.poll(clipboard).not.toBe('');
  return clipboard();
}

/** Copies the results sentence and gives it back. */
export const copiedResults = (page: Page): Promise<string> => copied(page, 'Copy the results');

/** Changes a reading in the table, and comes back to the question. */
export async function changeReading(page: Page, row: number, column: number, value: string): Promise<void> {
  const question = page.url();
  await saved(page);
  await page.getByRole('link', { name: 'Open readings' }).click();
  await cell(page, row, column).click();
  await page.keyboard.type(value);
  await page.keyboard.press('Enter');
  await saved(page);
  await page.goto(question);
  await page.getByRole('region', { name: 'Headline' }).waitFor();
}

/** Presses what downloads, and gives the file back. */
export async function downloaded(page: Page, press: () => Promise<void>): Promise<{ name: string; bytes: Buffer }> {
  const [download] = await Promise.all([page.waitForEvent('download'), press()]);
  return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
}

/** Draws out the study’s own list, which a narrow page keeps folded. */
async function drawn(page: Page): Promise<void> {
  const folded = page.getByRole('button', { name: 'In this study', expanded: false });
  if (await folded.isVisible()) await folded.click();
}

/** Unfolds the whole of a long study’s list; it stays so from page to page. */
export async function unfold(page: Page): Promise<void> {
  await drawn(page);
  await page.getByRole('button', { name: 'Unfold all' }).click();
}

/** A line of the study's own list. */
export const spine = (page: Page, name: string | RegExp) =>
  page.getByRole('navigation', { name: 'Study' }).getByRole('link', { name });

/** Goes where a line of the study’s own list leads. */
export async function goTo(page: Page, name: string | RegExp, which = 0): Promise<void> {
  await drawn(page);
  await spine(page, name).nth(which).click();
}

/** Two lamps compared, in a study of this title. */
export async function lampQuestion(page: Page, title: string): Promise<void> {
  await startStudy(page, title);
  await paste(page, lampBlock);
  await page.getByLabel('What was measured').fill('blade length');
  await page.keyboard.press('Enter');
  await asked(page, 'Ask whether two groups differ');
}

/** Opens a menu of the bar, and does what one of its lines says. */
export async function fromMenu(page: Page, menu: string, line: string): Promise<void> {
  await page.getByRole('button', { name: menu, exact: true }).click();
  await page.getByRole('menuitem', { name: line }).click();
}
