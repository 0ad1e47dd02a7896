import { expect } from '@playwright/test';
import { fromMenu, lampQuestion, saved, spine, test } from './steps';

test.use({ permissions: ['clipboard-read', 'clipboard-write'] });

test('group names give way to letters on every page until they are revealed, and Methods say from when to when', async ({
  page,
}) => {
  await lampQuestion(page, 'Lamps blind');
  const question = page.url();
  await spine(page, 'Text, tables and figures').click();
  await page.getByRole('button', { name: 'Begin with an empty page' }).click();
  await page.locator('.ProseMirror').click();
  await page.keyboard.type('Plants under the red lamp grew longer.');
  await saved(page);
  await page.goto(question);
  await page.getByRole('link', { name: 'Open readings' }).click();
  await page.getByRole('grid').waitFor();
  await fromMenu(page, 'Table', 'Hide group names');
  await expect(page.getByText('Group names are hidden behind letters')).toBeVisible();
  await saved(page);
  // The list on the left follows without the page being opened again.
  await expect(spine(page, /^(A · B|B · A)$/)).toBeVisible();
  const heads = page.getByRole('grid').getByRole('textbox', { name: /^Name of/ });
  expect(await heads.evaluateAll((all) => all.map((head) => (head as HTMLInputElement).value))).toEqual(['A', 'B']);
  await page.goto(question);
  await expect(page.getByRole('region', { name: 'Headline' })).toContainText(/[AB] minus [AB]/);
  await expect(page.getByTestId('tell-methods')).toContainText('Group names have been hidden behind letters since');
  expect(await page.locator('main').innerText()).not.toMatch(/lamp/i);
  await spine(page, 'All changes').click();
  await expect(page.getByText('group names hidden behind letters')).toBeVisible();
  expect(await page.locator('main').innerText()).not.toMatch(/(Red|White) lamp/);

  // One's own words would tell which letter is which: they are covered until one asks to see them.
  await spine(page, 'Text, tables and figures').click();
  await expect(page.getByText('This text names groups whose names are hidden')).toBeVisible();
  expect(await page.locator('main').innerText()).not.toMatch(/red lamp/i);
  await page.getByRole('button', { name: 'Show the text all the same' }).click();
  await expect(page.locator('.ProseMirror')).toContainText('under the red lamp');
  await page.goto(question);
  await page.getByRole('link', { name: 'Open readings' }).click();
  await page.getByRole('grid').waitFor();
  await fromMenu(page, 'Table', 'Reveal group names …');
  await page.getByRole('button', { name: 'Reveal them' }).click();
  await expect(spine(page, 'Red lamp · White lamp')).toBeVisible();
  await saved(page);
  await page.goto(question);
  await expect(page.getByRole('region', { name: 'Headline' })).toContainText('Red lamp minus White lamp');
  const methods = page.getByTestId('tell-methods');
  await expect(methods).toContainText('Group names were hidden behind letters on');
  await expect(methods).toContainText('Nothing was chosen otherwise after they were named.');
  await page.getByLabel('Confidence level', { exact: true }).selectOption('0.9');
  await expect(methods).toContainText(
    'Chosen otherwise after they were named: level 90 % (α = 0.1), before 95 % (α = 0.05).',
  );
  await spine(page, 'All changes').click();
  await expect(page.getByText(/group names put back: . is (Red|White) lamp, . is/)).toBeVisible();
});
