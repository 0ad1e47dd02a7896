import { expect } from '@playwright/test';
import { fromMenu, lampBlock, paste, saved, startStudy, test } from './steps';

test('from the shelf to a copied sentence with the keyboard alone', async ({ page }) => {
  await startStudy(page, 'Keyboard');
  await paste(page, lampBlock);
  await saved(page);
  const focused = () =>
    page.evaluate(
      () => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent ?? '',
    );
  const tabTo = async (name: string | RegExp, backwards = false): Promise<void> => {
    for (let i = 0; i < 60; i++) {
      const at = await focused();
      if (typeof name === 'string' ? at === name : name.test(at)) return;
      await page.keyboard.press(backwards ? 'Shift+Tab' : 'Tab');
    }
    throw new Error(`Tab did not reach ${String(name)}`);
  };
  await tabTo('What was measured', true);
  await page.keyboard.type('blade length');
  await page.keyboard.press('Enter');
  await page.getByRole('grid').focus();
  await tabTo(/^Ask whether two groups differ/);
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/questions\//);
  await page.getByTestId('estimate').waitFor();

  await tabTo('What counts once');
  await page.keyboard.type('seedling');
  await page.keyboard.press('Enter');
  await tabTo('Direction', true);
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('than in');
  // The reference case's upper tail: 0.000562.
  await expect(page.getByTestId('difference-row')).toContainText('5.62 × 10⁻⁴');
  await expect(page.getByText('The one-sided statement at 95 %')).toBeVisible();
  await expect(page.getByTestId('tell-methods')).toContainText(
    'The test was one-sided (Red lamp greater than White lamp)',
  );
  await page.keyboard.press('ArrowUp');
  await tabTo('Confidence level');
  await page.keyboard.press('ArrowUp');
  await expect(page.getByTestId('interval')).toContainText('90 % CI');
  await tabTo('Copy the results');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Copied')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('Blade length was greater in Red lamp');
});

test('a question open in one window follows readings changed in another', async ({ page, context }) => {
  await startStudy(page, 'Two places');
  await paste(page, lampBlock);
  await saved(page);
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/\/questions\//);
  await expect(page.getByTestId('estimate')).toHaveText('7.1 mm');
  const readings = await context.newPage();
  await readings.goto((await page.getByRole('link', { name: 'Open readings' }).getAttribute('href')) ?? '');
  await readings.getByRole('grid').waitFor();
  await fromMenu(readings, 'Rows', 'Remove 1 row');
  await saved(readings);
  // Without the first row the means are 63.2525 and 56.35, 6.9025 apart.
  await expect(page.getByTestId('estimate')).toHaveText('6.9 mm');
});
