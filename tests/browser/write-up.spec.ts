import { type Page, expect } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import mammoth from 'mammoth';
import { changeReading, downloaded, lampQuestion, saved, spine, test } from './steps';

test.use({ permissions: ['clipboard-read', 'clipboard-write'] });

const text = (page: Page) => page.getByRole('textbox', { name: 'The write-up' });

/** A new line behind a heading, with the caret on it. */
async function lineUnder(page: Page, heading: string): Promise<void> {
  await text(page).getByRole('heading', { name: heading }).click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
}

/** Types a slash and what is looked for, and takes the first found. */
async function putIn(page: Page, query: string): Promise<void> {
  await page.keyboard.type(`/${query}`);
  await expect(page.getByRole('listbox', { name: 'Put in from the study' })).toBeVisible();
  await page.keyboard.press('Enter');
}

test('a text with numbers of any row, references that count, a pasted table and the works it rests on', async ({
  page,
}) => {
  await lampQuestion(page, 'Lamps to submit');
  const question = page.url();
  await page.getByRole('button', { name: 'Make a figure of this' }).click();
  await page.getByTestId('legend').waitFor();
  await spine(page, 'Text, tables and figures').click();
  await page.getByRole('button', { name: 'Write a draft from the questions' }).click();
  await expect(page.getByTestId('listing-references')).toContainText('Welch BL (1947)');
  await expect(page.getByTestId('listing-references')).toContainText('doi:10.1093/biomet/34.1-2.28');
  // The log stands whole in the appendix, line by line.
  await expect(text(page).getByRole('table').last()).toContainText('figure made');

  await lineUnder(page, 'Methods');
  await page.keyboard.type('Red alone gave ');
  await putIn(page, 'Red lamp: mean');
  await page.keyboard.type(' mm, see ');
  await putIn(page, '“Figure 1”');
  await page.keyboard.type('.');
  await expect(text(page)).toContainText(/Red alone gave 63\.718 mm, see Figure\s1\./);

  // A table copied from the page arrives as a table, its statistics in italics.
  await saved(page);
  await page.goto(question);
  await page.getByText('Tables', { exact: true }).click();
  await page.getByRole('button', { name: 'Copy the table: Difference' }).click();
  await spine(page, 'Text, tables and figures').click();
  await lineUnder(page, 'Results');
  await page.keyboard.press('Control+V');
  const pasted = text(page).locator('.tableWrapper table');
  await expect(pasted.getByText('standard error')).toBeVisible();
  await expect(pasted.locator('em', { hasText: 'p' })).toHaveCount(1);
  await saved(page);

  // A figure made later is told, and put in behind its question; the reference counts it.
  await page.goto(question);
  await page.getByRole('button', { name: 'Make a figure of this' }).click();
  await page.getByTestId('legend').waitFor();
  await spine(page, 'Text, tables and figures').click();
  await expect(page.getByText('One figure of a question told here is not in the text.')).toBeVisible();
  await page.getByRole('button', { name: 'Put it in' }).click();
  await expect(text(page).locator('svg.chart')).toHaveCount(2);
  await lineUnder(page, 'Methods');
  await putIn(page, '“Figure 2”');
  await expect(page.getByTestId('reference').first()).toHaveText(/Figure\s2/);

  await page.getByLabel('Authors').fill('M. Tangle, O. Wrack');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Authors')).toHaveValue('M. Tangle, O. Wrack');
  await expect(page.getByTestId('reference').first()).toHaveText(/Figure\s2/);
  const docx = await downloaded(page, () => page.getByRole('button', { name: 'Download as DOCX' }).click());
  const { value: read } = await mammoth.extractRawText({ buffer: docx.bytes });
  expect(read).toMatch(/Red alone gave 63\.718 mm, see Figure\s1\./);
  expect(read).toContain('https://doi.org/10.1093/biomet/34.1-2.28');
  const parts = unzipSync(docx.bytes);
  const part = (name: string) => strFromU8(parts[name] ?? new Uint8Array());
  expect(part('word/document.xml')).toContain(' REF figure_1 \\h ');
  expect(part('docProps/core.xml')).toContain('<dc:creator>M. Tangle, O. Wrack</dc:creator>');
});

test('what was renewed shows the old beside the new until it was looked at', async ({ page }) => {
  await lampQuestion(page, 'Lamps renewed');
  const question = page.url();
  await spine(page, 'Text, tables and figures').click();
  await page.getByRole('button', { name: 'Write a draft from the questions' }).click();
  await saved(page);
  await page.goto(question);
  await changeReading(page, 1, 1, '97.44');
  await spine(page, 'Text, tables and figures').click();
  const renewed = page.getByTestId('piece-fresh').filter({ hasText: 'Blade length was greater' });
  await expect(renewed.locator('del').first()).toHaveText('63.718');
  await expect(renewed.locator('ins').first()).toHaveText('67.05');
  await expect(
    text(page)
      .getByRole('row', { name: /Red lamp/ })
      .first(),
  ).toContainText('67.05 (was 63.718)');
  await page.getByRole('button', { name: 'Mark as reviewed' }).click();
  await expect(text(page).locator('del')).toHaveCount(0);
  await expect(
    text(page)
      .getByRole('row', { name: /Red lamp/ })
      .first(),
  ).not.toContainText('was');
  await saved(page);
});
