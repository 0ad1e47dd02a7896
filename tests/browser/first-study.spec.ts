import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { cell, copiedResults, fromMenu, goTo, lampBlock, paste, saved, startStudy, test } from './steps';

test('from pasted readings to a reported difference', { tag: '@sizes' }, async ({ page }) => {
  await startStudy(page, 'Lamp trial of the spring');

  // Readings: paste with heads, say what was measured, correct a cell by typing.
  await paste(page, lampBlock);
  await expect(page.getByText('The first row became the names of the groups.')).toBeVisible();
  await expect(page.getByLabel('Name of group 1')).toHaveValue('Red lamp');
  await expect(page.getByLabel('Unit of White lamp')).toHaveValue('mm');
  await expect(cell(page, 9, 2)).toHaveText('60.91');
  await page.getByLabel('What was measured').fill('blade length');
  await page.keyboard.press('Enter');
  await page.getByLabel('What one independent sample is').fill('seedling');
  await page.keyboard.press('Enter');
  await cell(page, 2, 1).click();
  await page.keyboard.type('63.9');
  await page.keyboard.press('Enter');
  await expect(cell(page, 2, 1)).toHaveText('63.9');
  await page.keyboard.press('Control+z');
  await expect(cell(page, 2, 1)).toHaveText('63.84');
  await saved(page);

  // Question: asked from the readings, answered without a button.
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/\/questions\//);
  await expect(page.getByTestId('estimate')).toHaveText('7.1 mm');
  await expect(page.getByTestId('interval')).toHaveText('95 % CI 3.3 to 10.8 mm');
  await expect(page.getByTestId('test')).toHaveText('Welch’s t-test, t(15.8) = 3.97, p = 0.001');
  // Reference: difference 7.0522, se 1.77685, interval 3.28187 to 10.82257, t 3.96894, df 15.815, p 0.00112442.
  await expect(page.getByTestId('difference-row')).toHaveText(
    /7\.05\s*1\.78\s*3\.28 to 10\.82\s*3\.969\s*15\.8\s*0\.001/,
  );
  await expect(page.getByTestId('effect-size')).toContainText(['= 1.78, 95 % CI 0.69 to 2.83', /^R² = 0\.\d\d/]);
  const headline = page.getByRole('region', { name: 'Headline' });
  await expect(headline).toBeInViewport({ ratio: 1 });

  // Options recompute in the page: level, spreads, direction, order.
  await page.getByLabel('Confidence level').selectOption('99 %');
  // By independent quadrature of the density: 7.05222 ± 2.92531 · 1.77685.
  await expect(page.getByTestId('interval')).toHaveText('99 % CI 1.9 to 12.3 mm');
  await page.getByLabel('Confidence level').selectOption('another level …');
  await page.getByLabel('Confidence level in percent').fill('101');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('101: 50 to 99.99 is asked: kept at 99)');
  await page.getByLabel('Confidence level in percent').fill('95');
  await page.keyboard.press('Enter');
  await page.getByLabel('Spreads').selectOption('are taken as equal');
  await expect(page.getByTestId('difference-row')).toContainText('3.29 to 10.82');
  await expect(page.getByTestId('difference-row')).toContainText('16');
  await page.getByLabel('Spreads').selectOption('may differ');
  await page.getByLabel('Direction').selectOption('less');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Is');
  await expect(page.getByTestId('difference-row')).toContainText('> 0.999');
  await page.getByRole('button', { name: /Order: Red lamp minus White lamp/ }).click();
  await expect(page.getByTestId('estimate')).toHaveText('−7.1 mm');
  await expect(page.getByLabel('Direction')).toHaveValue('greater');
  await page.getByRole('button', { name: /Order: White lamp minus Red lamp/ }).click();
  await page.getByLabel('Direction').selectOption('either');
  await expect(page.getByTestId('estimate')).toHaveText('7.1 mm');

  // Tell: one click copies.
  expect(await copiedResults(page)).toContain('difference 7.1 mm, 95 % CI 3.3 to 10.8 mm; t(15.8) = 3.97, p = 0.001');
  await saved(page);

  // A reading set aside changes the answer, and every text says so.
  await page.getByRole('link', { name: 'Open readings' }).click();
  await cell(page, 3, 1).click();
  await page.getByRole('button', { name: 'Set aside 1 reading' }).click();
  await page.getByLabel(/because/).fill('tag lost');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: 'Margin notes' })).toContainText('56.88');
  await saved(page);
  await goTo(page, 'Red lamp · White lamp');
  // Mean of the other eight is 64.5725; less 56.66556 is 7.907.
  await expect(page.getByTestId('estimate')).toHaveText('7.9 mm');
  await expect(page.getByTestId('tell-methods')).toContainText(
    'One reading in Red lamp was set aside before analysis (tag lost).',
  );

  // Figure: bars named in the legend, downloaded as SVG and PNG.
  await page.getByRole('button', { name: 'Make a figure of this' }).click();
  await page.waitForURL(/\/figures\//);
  await page.getByLabel('Error bars', { exact: true }).selectOption('SEM');
  await page.getByLabel('Means as').selectOption('points');
  await page.getByLabel('Width in millimetres').fill('60');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('legend')).toContainText(
    'Large symbols are means, error bars standard errors of the mean',
  );
  const svg = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download as SVG' }).click();
  const svgText = readFileSync(await (await svg).path(), 'utf8');
  expect(svgText).toContain('width="60mm"');
  expect(svgText).toContain('>Red lamp</text>');
  const png = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download as PNG' }).click();
  const bytes = readFileSync(await (await png).path());
  expect(bytes.readUInt32BE(16)).toBe(Math.round((60 / 25.4) * 300));
  expect(bytes.readUInt32BE(20)).toBe(Math.round((75 / 25.4) * 300));
  expect(bytes.subarray(37, 41).toString()).toBe('pHYs');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Error bars', { exact: true })).toHaveValue('sem');
  await expect(page.getByLabel('Width in millimetres')).toHaveValue('60');
});

test('the shelf: rename, duplicate, delete and bring back, open the demo study', async ({ page }) => {
  await startStudy(page, 'Rinse trial');
  await page.goto('/');
  const line = (title: string) => page.getByRole('link', { name: title, exact: true });
  await page.getByRole('button', { name: 'Rename Rinse trial' }).click();
  await page.keyboard.type('Rinse trial, "48" & ü');
  await page.keyboard.press('Enter');
  await expect(line('Rinse trial, "48" & ü')).toBeVisible();
  await page.getByRole('button', { name: 'Duplicate Rinse trial, "48" & ü' }).click();
  await expect(line('Rinse trial, "48" & ü (copy)')).toBeVisible();
  await page.getByRole('button', { name: 'Delete Rinse trial, "48" & ü', exact: true }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(line('Rinse trial, "48" & ü')).toBeVisible();
  await page.getByRole('button', { name: 'Delete Rinse trial, "48" & ü', exact: true }).click();
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(line('Rinse trial, "48" & ü')).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await page.reload();
  await expect(line('Rinse trial, "48" & ü')).toBeVisible();
  await expect(line('Rinse trial, "48" & ü (copy)')).toBeVisible();

  await page.getByRole('button', { name: 'Open a fresh copy of the demo study' }).click();
  await page.waitForURL(/\/questions\//);
  await expect(page.getByLabel('What was measured')).toHaveValue('blade length');
  // Means 35.12 and 29.24, as the table says.
  await expect(page.getByTestId('estimate')).toHaveText('5.9 mm');
  await page.goto('/');
  await expect(page.getByRole('listitem').filter({ hasText: 'Skerrow Kelp Nursery' }).first()).toContainText(
    'Does blade length (mm) differ between Red lamp and White lamp, when each seedling counts once?',
  );
});

test('the table by keyboard: type, move, copy, cut, fill, insert, remove, add a group', async ({ page }) => {
  await startStudy(page, 'Keys');
  await page.getByRole('grid').focus();
  for (const key of ['1', 'Enter', '2', 'Enter', '3', 'Tab']) await page.keyboard.press(key);
  await page.keyboard.type('9,5');
  await page.keyboard.press('Enter');
  await expect(cell(page, 3, 1)).toHaveText('3');
  await expect(cell(page, 3, 2)).toHaveText('9,5');
  // Copy the first column's block beside itself.
  await cell(page, 1, 1).click();
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Control+C');
  await cell(page, 1, 2).click();
  await page.keyboard.press('Control+V');
  await expect(cell(page, 2, 2)).toHaveText('2');
  // Cut, fill down, delete, undo.
  await page.keyboard.press('Control+X');
  await expect(cell(page, 1, 2)).toHaveText('');
  await cell(page, 1, 1).click();
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Control+D');
  await expect(cell(page, 3, 1)).toHaveText('1');
  await page.keyboard.press('Delete');
  await expect(cell(page, 2, 1)).toHaveText('');
  await page.keyboard.press('Control+Z');
  await page.keyboard.press('Control+Z');
  await expect(cell(page, 3, 1)).toHaveText('3');
  // Escape lets an edit go, F2 opens one at its end.
  await cell(page, 1, 1).click();
  await page.keyboard.press('F2');
  await page.keyboard.type('0');
  await page.keyboard.press('Escape');
  await expect(cell(page, 1, 1)).toHaveText('1');
  await fromMenu(page, 'Rows', 'Insert a row above');
  await expect(cell(page, 2, 1)).toHaveText('1');
  await fromMenu(page, 'Rows', 'Remove 1 row');
  await expect(cell(page, 1, 1)).toHaveText('1');
  await page.getByRole('button', { name: '+ Group' }).click();
  await page.getByLabel('Name of group 3').fill('48');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Choose Group 2' }).click();
  await page.getByLabel('Remove Group 2').click();
  await expect(page.getByLabel('Name of group 2')).toHaveValue('48');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Name of group 2')).toHaveValue('48');
  await expect(cell(page, 2, 1)).toHaveText('2');
});

test('bad input is said where it stands, and loses nothing', { tag: '@sizes' }, async ({ page }) => {
  await startStudy(page, 'Messy');
  await paste(page, 'Slate\t0.5 mM\n1.5\t<LOD\nn/a\t1,234\n\t2.5\n3.5\t3.5');
  const notes = page.getByRole('complementary', { name: 'Margin notes' });
  await expect(notes).toContainText('“<LOD” is not a number');
  // A word for missing is missing.
  await expect(notes).not.toContainText('n/a');
  await expect(cell(page, 1, 2)).toHaveText('<LOD');
  // The comma stands among points, so it can only part thousands.
  await expect(page.getByText(/2 groups, 5 readings, 1 not read as a number/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep it as a row instead' }).click();
  await expect(cell(page, 1, 1)).toHaveText('Slate');
  await expect(cell(page, 5, 2)).toHaveText('3.5');
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/\/questions\//);
  await page.getByLabel('Second group').selectOption({ index: 0 });
  await expect(page.getByLabel('First group')).toHaveValue('b');
  await expect(page.getByRole('complementary', { name: 'Margin notes' })).toContainText(
    'could not be read as a number',
  );

  await startStudy(page, 'One reading');
  await paste(page, '4\t5');
  await page.goto(page.url());
  await expect(page.getByText('A group needs two readings before it can be asked about')).toBeVisible();
});
