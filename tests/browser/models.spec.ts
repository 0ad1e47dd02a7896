import { expect } from '@playwright/test';
import { cell, paste, saved, startStudy, test } from './steps';

const before = [10.2, 11.4, 12.1, 9.8, 13.4, 12.7, 11.1, 10.5, 9.6, 13.0, 12.5, 11.8];
const after = [14.9, 13.6, 16.4, 12.1, 18.2, 15.3, 15.4, 12.6, 13.8, 15.9, 17.2, 14.1];
const lines = before.map((x, i) => `L${i + 1}\t${i % 2 === 0 ? 'fed' : 'unfed'}\t${x}\t${after[i]}`);

test('lines weighed before and after: adjusted first, the change and the plain readings one choice away', async ({
  page,
}) => {
  await startStudy(page, 'Fed lines');
  await paste(page, ['line\tfeed\tbefore (g)\tafter (g)', ...lines].join('\n'));
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/questions/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('adjusted for');
  await expect(page.getByTestId('test')).toContainText('Analysis of covariance, t(9) = 16.55');
  await expect(page.getByTestId('check-parallel-slopes')).toContainText('not shown to differ in slope');
  await expect(page.getByTestId('tell-methods')).toContainText('Means are adjusted to');
  // Read at a value one cares about, parallel lines lie as far apart.
  await page.getByLabel('Adjusted to').fill('12');
  await page.getByLabel('Adjusted to').press('Enter');
  await expect(page.getByTestId('tell-methods')).toContainText('of 12 g');
  await expect(page.getByTestId('estimate')).toContainText('2.11 g');
  // The change, by its line among the other methods; then nothing taken off at all, and back.
  await page.getByRole('button', { name: 'Welch’s t-test of the change' }).click();
  await expect(page.getByTestId('tell-results')).toContainText('from before to after was greater in fed');
  await page.getByLabel('Compared by').selectOption('their adjusted means');
  await page.getByLabel('Adjusted for').selectOption('nothing');
  await expect(page.getByTestId('test')).toContainText('Welch’s t-test');
  await page.getByLabel('Adjusted for').selectOption({ index: 0 });
  await expect(page.getByTestId('test')).toContainText('Analysis of covariance');
  await saved(page);
  await page.getByRole('button', { name: 'Make a figure of this' }).click();
  await expect(page.getByTestId('legend')).toContainText('lines have one slope in all groups');
});

const counts = [
  [41, 66, 38, 129, 57, 84, 403, 72],
  [22, 35, 61, 18, 27, 193, 31, 40],
];

test('skewed counts: a check offers ratios, and they stay in words, picture and figure', async ({ page }) => {
  await startStudy(page, 'Spores');
  await paste(
    page,
    ['fresh (1/mL)\tchilled (1/mL)', ...(counts[0] ?? []).map((x, i) => `${x}\t${counts[1]?.[i]}`)].join('\n'),
  );
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/questions/);
  await page.getByTestId('check-normality').getByRole('button', { name: 'Compare by ratios' }).click();
  await expect(page.getByTestId('estimate')).toContainText('times');
  await expect(page.getByTestId('test')).toContainText('Welch’s t-test of logarithms');
  await expect(page.getByRole('button', { name: /Order: fresh over chilled/ })).toBeVisible();
  // As 1.5 times, turned round as one part in 1.5.
  await page.getByLabel('Ratio tested against').fill('1.5');
  await page.getByLabel('Ratio tested against').press('Enter');
  await expect(page.getByTestId('tell-methods')).toContainText('the ratio was tested against 1.5');
  await page.getByRole('button', { name: /Order: fresh over chilled/ }).click();
  await expect(page.getByTestId('tell-methods')).toContainText('the ratio was tested against 0.6666');
  await saved(page);
  await page.reload();
  await expect(page.getByTestId('tell-results')).toContainText('ratio of geometric means');
  // A reading of 0 has no logarithm: its place is named, and the readings stay.
  await page.getByRole('link', { name: 'Open readings' }).click();
  await cell(page, 3, 1).click();
  await page.keyboard.type('0');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.goBack();
  await expect(page.getByText('Row 3 of fresh is 0').first()).toBeVisible();
});

const low = ['<2.0', '2.6', '3.1', '<2.0', '2.2', '<2.0', '4.0', '2.9'];
const high = ['3.4', '5.2', '4.1', '<2.0', '6.0', '3.9', '4.8', '2.7'];

test('readings below the limit of detection: asked about, counted as what they are, and told', async ({ page }) => {
  await startStudy(page, 'Iodine');
  await paste(page, ['still (mg)\tpulsed (mg)', ...low.map((x, i) => `${x}\t${high[i]}`)].join('\n'));
  await page.getByRole('button', { name: 'Count as below the limit' }).click();
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/questions/);
  await expect(page.getByTestId('test')).toContainText('Censored likelihood ratio test, χ²(1) = 5.76');
  await expect(page.getByTestId('tell-methods')).toContainText('4 of the 16 readings lay below a limit of detection');
  await expect(page.getByTestId('check-limits')).toContainText('3 of 8 readings');
  await page.getByLabel('Compared by').selectOption('ranks');
  await expect(page.getByTestId('tell-methods')).toContainText('tied at the bottom of the ranks');
  // Means need a number for each, and say so.
  await page.getByLabel('Compared by').selectOption('their means');
  await expect(page.getByText('4 readings lie below a limit').first()).toBeVisible();
});
