import { expect } from '@playwright/test';
import { cell, paste, saved, startStudy, test } from './steps';

/** Fish of eight tanks under three lamps, some tanks with more fish than others. */
const fish = [
  ['A1', 'red', 14.2, 15.1, 13.8, 14.9],
  ['A2', 'red', 17.0, 16.4],
  ['A3', 'red', 15.8, 16.9, 15.2],
  ['B1', 'white', 12.0, 11.1, 12.8],
  ['B2', 'white', 10.4, 10.9, 11.7, 9.8],
  ['B3', 'white', 13.2, 12.5],
].flatMap(([tank, lamp, ...masses]) => masses.map((mass) => [tank, lamp, mass].join('\t')));

test('fish in tanks: each tank counts once with its fish, beside what each other way would claim', async ({ page }) => {
  await startStudy(page, 'Fish in tanks');
  await paste(page, ['tank\tlamp\tmass (g)', ...fish].join('\n'));
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/questions/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('with 2 to 4 readings in each');
  await expect(page.getByTestId('test')).toContainText('Linear mixed model, t(');
  const p = async (): Promise<number> =>
    Number((await page.getByTestId('test').textContent())?.replace(/[^]*p\s[=<]\s/, ''));
  const nested = await p();
  // Both levels stand in the table, and the sentence for the paper tells them.
  await expect(
    page.getByText('Variation between and within tanks').or(page.getByText('between tanks')).first(),
  ).toBeVisible();
  await expect(page.getByTestId('tell-results')).toContainText('9 readings of 3 tanks');
  await expect(page.getByTestId('tell-results')).toContainText('The SD between tanks was');
  await expect(page.getByTestId('tell-methods')).toContainText('Kenward–Roger');
  // As if every fish were a sample of its own, more is claimed; the page says what is wrong with it.
  await page.getByLabel('How subjects were measured').selectOption('counts once for each of its readings');
  await expect(page.getByTestId('test')).toContainText('Welch’s t-test');
  expect(await p()).toBeLessThan(nested);
  await expect(page.getByTestId('check-independence')).toContainText('surer than it is');
  await page.getByLabel('How subjects were measured').selectOption('counts once, by the mean of its readings');
  await expect(page.getByTestId('tell-methods')).toContainText('contributing one value, the mean of its readings');
  // Back by the note beside it, and kept so after a reload.
  await page
    .getByRole('region', { name: 'Independent samples' })
    .getByRole('button', { name: 'Within each tank' })
    .click();
  await expect(page.getByTestId('test')).toContainText('Linear mixed model');
  await saved(page);
  await page.reload();
  await expect(page.getByTestId('test')).toContainText('Linear mixed model');
});

test('a tank named in two groups is met in words, and one tank a group too', async ({ page }) => {
  await startStudy(page, 'Tanks amiss');
  await paste(page, ['tank\tlamp\tmass (g)', ...fish].join('\n'));
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/questions/);
  const question = page.url();
  await page.getByRole('link', { name: 'Open readings' }).click();
  await cell(page, 10, 1).click();
  await page.keyboard.type('A1');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.goto(question);
  await expect(page.getByTestId('no-answer')).toContainText('Tank A1 has readings in red and white');
});

test('doses in order: a linear trend as they are spaced or equally, and each against the one before', async ({
  page,
}) => {
  await startStudy(page, 'Doses');
  const doses = [
    [59.2, 58.0, 53.6, 50.0, 55.9],
    [57.1, 60.3, 55.8, 52.4, 58.9],
    [61.2, 59.6, 62.9, 58.4, 63.0],
    [66.5, 67.4, 62.2, 65.9, 60.4],
  ];
  await paste(
    page,
    [
      ['0 g/L', '5 g/L', '10 g/L', '40 g/L'].join('\t'),
      ...[0, 1, 2, 3, 4].map((i) => doses.map((d) => d[i]).join('\t')),
    ].join('\n'),
  );
  await page.getByRole('button', { name: 'Ask whether the groups differ' }).click();
  await page.waitForURL(/questions/);
  await page.getByLabel('Which comparisons follow').selectOption('a linear trend');
  await expect(page.getByTestId('tell-methods')).toContainText('placed at 0, 5, 10 and 40');
  const spaced = await page.getByTestId('estimate').textContent();
  await page.getByLabel('Where groups lie').selectOption('equally spaced');
  await expect(page.getByTestId('tell-methods')).toContainText('taken as equally spaced');
  await expect(page.getByTestId('estimate')).not.toHaveText(spaced ?? '');
  await page.getByLabel('Which comparisons follow').selectOption('each against the one before');
  await expect(page.getByRole('region', { name: 'Each against the one before' })).toContainText('40 g/L minus 10 g/L');
});
